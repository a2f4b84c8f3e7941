import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { useActKey } from '../../ui/useActKey';
import { useDraft } from '../useDraft';
import { ReadQuestions } from './ReadQuestions';

/** Many questions as plain text: what was understood stands beside it, with faults by line. */
export function PasteDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const once = useActKey();
  const [text, setText] = useState('');
  const asked = useDeferredValue(text);
  const area = useRef<HTMLTextAreaElement>(null);
  const reading = useQuery({
    ...queries.questionReading(course.id, asked),
    enabled: asked.trim() !== '',
    placeholderData: keepPreviousData,
  });
  const read = asked.trim() === '' ? undefined : reading.data;
  const questions = read?.questions ?? [];
  const faults = read?.faults ?? [];
  const take = useMutation({
    meta: { silent: true },
    mutationFn: () =>
      draft.addQuestions(() =>
        body(
          api.POST('/api/courses/{course}/design/questions/several', {
            params: { path: { course: course.id } },
            headers: once.headers(questions),
            body: { questions: questions.map(({ line: _, ...one }) => one) },
          }),
        ),
      ),
    onSuccess: () => {
      once.renew();
      onClose();
    },
  });
  const goTo = (line: number) => {
    const at =
      text
        .split('\n')
        .slice(0, line - 1)
        .join('\n').length + (line > 1 ? 1 : 0);
    area.current?.focus();
    area.current?.setSelectionRange(
      at,
      text.indexOf('\n', at) < 0 ? text.length : text.indexOf('\n', at),
    );
  };
  return (
    <Dialog open onClose={(_, why) => why !== 'backdropClick' && onClose()} fullWidth maxWidth="lg">
      <DialogTitle>{t('bank.paste')}</DialogTitle>
      <DialogContent
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
          gap: 2,
        }}
      >
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
          <Box
            component="textarea"
            ref={area}
            autoFocus
            aria-label={t('bank.pasteHere')}
            placeholder={t('bank.pasteHere')}
            spellCheck={false}
            value={text}
            onChange={(e: React.ChangeEvent<HTMLTextAreaElement>) => setText(e.target.value)}
            maxLength={200_000}
            sx={{
              flex: 1,
              minHeight: 360,
              font: 'inherit',
              fontFamily: 'monospace',
              fontSize: 14,
              lineHeight: 1.5,
              color: 'tone.ink',
              bgcolor: 'tone.ground',
              border: 1,
              borderColor: 'divider',
              borderRadius: 1,
              p: 1.25,
              resize: 'vertical',
            }}
          />
          <Typography variant="caption" color="textSecondary">
            {t('bank.signs')}
          </Typography>
          {text === '' && (
            <Button
              size="small"
              sx={{ alignSelf: 'start' }}
              onClick={() => setText(t('bank.example'))}
            >
              {t('bank.showExample')}
            </Button>
          )}
        </Box>
        <Box role="status" sx={{ overflow: 'auto', maxHeight: { md: 480 } }}>
          {read === undefined && (
            <Typography color="textSecondary">{t('bank.nothingRead')}</Typography>
          )}
          {faults.length > 0 && (
            <Alert severity="error" sx={{ mb: 1 }}>
              {faults.map((f) => (
                <Box key={`${f.line} ${f.says}`}>
                  <Button size="small" onClick={() => goTo(f.line)} sx={{ minWidth: 0, mr: 0.5 }}>
                    {t('bank.line', { n: f.line })}
                  </Button>
                  {f.says}
                </Box>
              ))}
            </Alert>
          )}
          <ReadQuestions questions={questions} />
          {take.error && <Alert severity="error">{take.error.message}</Alert>}
        </Box>
      </DialogContent>
      <DialogActions>
        {faults.length > 0 && (
          <Typography variant="body2" color="textSecondary" sx={{ mr: 'auto', pl: 2 }}>
            {t('bank.mendFirst')}
          </Typography>
        )}
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={
            questions.length === 0 ||
            faults.length > 0 ||
            take.isPending ||
            asked !== text ||
            reading.isPlaceholderData
          }
          onClick={() => take.mutate()}
        >
          {t('bank.take', { count: questions.length })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
