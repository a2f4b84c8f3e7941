import { Box, Button, TextField } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { RegisteredCertificate } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { Unseen } from '../../ui/Unseen';
import { useLive } from '../../ui/useLive';
import { useRows } from '../../ui/useRows';
import { AgainDialog } from './AgainDialog';
import { CertificateRow, COLUMNS, stands } from './CertificateRow';
import { PrintButton, Printed } from './Prints';

const ROW = 41;

/** Those that have all words in their number, names or title. */
const found = (all: RegisteredCertificate[], text: string) => {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter((c) => {
    const said = `${c.number} ${c.name} ${c.learner} ${c.title}`.toLowerCase();
    return words.every((word) => said.includes(word));
  });
};

/** The register of certificates: printed, given anew, taken along as a table. */
export function Certificates() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['certificates']);
  const all = useQuery(queries.certificates(course.id));
  const formats = useQuery(queries.formats(course.id)).data ?? [];
  const [text, setText] = useState('');
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [again, setAgain] = useState<RegisteredCertificate | null>(null);
  const shown = found(all.data ?? [], useDeferredValue(text));
  const printable = shown.filter(stands);
  const chosen = (all.data ?? []).filter((c) => stands(c) && ticked.has(c.id));
  return (
    <WithInspector inspector={null} onClose={() => undefined}>
      <Actions>
        {printable.length + chosen.length > 0 && (
          <PrintButton certificates={chosen.length > 0 ? chosen : printable} />
        )}
        {formats.map((f) => (
          <Button
            key={f.name}
            variant="outlined"
            href={`/api/courses/${course.id}/certificates/register/${f.name}`}
          >
            {t('watch.exportAs', { format: f.title })}
          </Button>
        ))}
      </Actions>
      {again && <AgainDialog certificate={again} onClose={() => setAgain(null)} />}
      <Printed />
      <Loaded query={all}>
        {(data) =>
          data.length === 0 ? (
            <Empty title={t('certificates.none')} hint={t('certificates.noneHint')} />
          ) : (
            <>
              <TextField
                type="search"
                label={t('certificates.find')}
                value={text}
                onChange={(e) => setText(e.target.value)}
                sx={{ mb: 1.5, width: 320, maxWidth: '100%' }}
              />
              {shown.length === 0 ? (
                <Empty title={t('certificates.noneFound')} />
              ) : (
                <Register
                  certificates={shown}
                  ticked={ticked}
                  onTick={setTicked}
                  onAgain={setAgain}
                />
              )}
            </>
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function Register({
  certificates,
  ticked,
  onTick,
  onAgain,
}: {
  certificates: RegisteredCertificate[];
  ticked: ReadonlySet<number>;
  onTick: (ticked: ReadonlySet<number>) => void;
  onAgain: (certificate: RegisteredCertificate) => void;
}) {
  const t = useTranslations();
  const { list, rows, measure, style } = useRows<HTMLDivElement>(certificates.length, ROW);
  const tick = (id: number, on: boolean) =>
    onTick(new Set(on ? [...ticked, id] : [...ticked].filter((other) => other !== id)));
  return (
    <Box
      role="table"
      aria-label={t('held.register')}
      aria-rowcount={certificates.length + 1}
      sx={{
        position: 'relative',
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        overflowX: 'auto',
      }}
    >
      <Box sx={{ minWidth: 980 }}>
        <Box
          role="row"
          sx={{
            display: 'grid',
            gridTemplateColumns: COLUMNS,
            gap: 1,
            px: 1,
            py: 0.75,
            borderBottom: 1,
            borderColor: 'divider',
            fontWeight: 700,
          }}
        >
          <span role="columnheader">
            <Unseen>{t('certificates.tick')}</Unseen>
          </span>
          {(['number', 'name', 'what', 'given', 'ends', 'state'] as const).map((head) => (
            <span key={head} role="columnheader">
              {t(`certificates.${head}`)}
            </span>
          ))}
          <span role="columnheader">
            <Unseen>{t('certificates.acts')}</Unseen>
          </span>
        </Box>
        <div ref={list} role="rowgroup" style={style}>
          {rows.map(({ index, style: place }) => {
            const c = certificates[index];
            return c ? (
              <CertificateRow
                key={c.id}
                certificate={c}
                index={index}
                style={place}
                measure={measure}
                ticked={ticked.has(c.id)}
                onTick={(on) => tick(c.id, on)}
                onAgain={() => onAgain(c)}
              />
            ) : null;
          })}
        </div>
      </Box>
    </Box>
  );
}
