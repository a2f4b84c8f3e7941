import { Alert, Box, Button, IconButton, LinearProgress } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../../../api/client';
import { sendInPieces } from '../../../api/files';
import { useCourse } from '../../../frame/course';
import { ChooseFile } from '../../../ui/ChooseFile';
import { Section } from '../../../ui/Panel';
import { SavedField } from '../../../ui/SavedField';
import { MOST_SIGNATURES, type Sheet } from './sheet';

type Signature = Sheet['signatures'][number];

/** Who signs, with their written names as pictures. */
export function SignatureFields({
  signatures,
  onChange,
}: {
  signatures: Signature[];
  onChange: (signatures: Signature[]) => void;
}) {
  const t = useTranslations();
  const put = (at: number, change: Partial<Signature>) =>
    onChange(signatures.map((s, n) => (n === at ? { ...s, ...change } : s)));
  return (
    <Section title={t('paper.signatures')}>
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        {signatures.map((signature, n) => (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: a signature has nothing but its place
            key={n}
            role="group"
            aria-label={t('paper.signature', { n: n + 1 })}
            sx={{ display: 'grid', gap: 1, border: 1, borderColor: 'divider', p: 1 }}
          >
            <SavedField
              label={t('paper.signer')}
              value={signature.name}
              autoFocus={!signature.name && n === signatures.length - 1}
              onSave={(name) => put(n, { name })}
            />
            <SavedField
              label={t('paper.office')}
              value={signature.office}
              onSave={(office) => put(n, { office })}
            />
            <WrittenName
              picture={signature.picture}
              onChange={(picture) => put(n, { picture })}
              onRemove={() => onChange(signatures.filter((_, other) => other !== n))}
            />
          </Box>
        ))}
        {signatures.length < MOST_SIGNATURES && (
          <Button
            variant="outlined"
            sx={{ justifySelf: 'start' }}
            onClick={() => onChange([...signatures, { name: '', office: '' }])}
          >
            {t('paper.addSignature')}
          </Button>
        )}
      </Box>
    </Section>
  );
}

function WrittenName({
  picture,
  onChange,
  onRemove,
}: {
  picture: string | undefined;
  onChange: (picture: string | undefined) => void;
  onRemove: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const send = useMutation({
    mutationFn: async (file: File) => {
      const upload = await sendInPieces(file, () => undefined);
      return body(
        api.POST('/api/courses/{course}/design/signatures', {
          params: { path: { course: course.id } },
          body: { upload },
        }),
      );
    },
    onSuccess: ({ hash }) => onChange(hash),
  });
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <ChooseFile
          name={t('paper.written')}
          accept="image/png,image/jpeg"
          size="small"
          variant="text"
          disabled={send.isPending}
          onChoose={(file) => send.mutate(file)}
        >
          {t(picture ? 'paper.otherWritten' : 'paper.written')}
        </ChooseFile>
        {picture && (
          <>
            <Box
              component="img"
              src={`/api/badges/pictures/${picture}`}
              alt=""
              sx={{ height: 28, maxWidth: 90, objectFit: 'contain', bgcolor: 'common.white' }}
            />
            <IconButton
              size="small"
              aria-label={t('paper.withoutWritten')}
              onClick={() => onChange(undefined)}
            >
              ×
            </IconButton>
          </>
        )}
        <Button size="small" sx={{ ml: 'auto' }} onClick={onRemove}>
          {t('common.remove')}
        </Button>
      </Box>
      {send.isPending && <LinearProgress aria-label={t('look.sending')} />}
      {send.error && <Alert severity="error">{send.error.message}</Alert>}
    </>
  );
}
