import { Box, Button, Typography } from '@mui/material';
import { Fragment, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { QuestionFigures, QuizFigures } from '../../api/client';
import { inPercent } from '../../ui/format';
import { CorrectionDialog } from './CorrectionDialog';

const CELL = { px: 1.25, py: 0.75, textAlign: 'right', verticalAlign: 'top' } as const;
const EASY = 0.95;
const HARD = 0.25;
const WEAK = 0.1;

/** What stands out about a question, a key of texts; nothing where nothing does. */
export function standsOut(q: QuestionFigures): 'easy' | 'hard' | 'odd' | undefined {
  if (q.discrimination !== undefined && q.discrimination < WEAK) return 'odd';
  if (q.asked >= 5 && q.facility >= EASY) return 'easy';
  if (q.asked >= 5 && q.facility <= HARD) return 'hard';
  return undefined;
}

/** Each question with how it went; one of them opened shows what was answered. */
export function QuestionTable({ figures }: { figures: QuizFigures }) {
  const t = useTranslations();
  const inTime = (seconds: number) =>
    seconds < 100
      ? t('figures.inSeconds', { n: Math.round(seconds) })
      : t('figures.inMinutes', { n: Math.round(seconds / 6) / 10 });
  const [open, setOpen] = useState<string | null>(null);
  const [correcting, setCorrecting] = useState<QuestionFigures | null>(null);
  return (
    <Box sx={{ overflowX: 'auto', bgcolor: 'tone.panel', border: 1, borderColor: 'divider' }}>
      <Box component="table" sx={{ borderCollapse: 'collapse', width: '100%', minWidth: 680 }}>
        <thead>
          <Box component="tr" sx={{ '& th': { ...CELL, fontSize: 13, color: 'text.secondary' } }}>
            <Box component="th" scope="col" sx={{ textAlign: 'left !important' }}>
              {t('figures.question')}
            </Box>
            {(['right', 'partly', 'wrong', 'unanswered'] as const).map((head) => (
              <th key={head} scope="col">
                {t(`figures.${head}`)}
              </th>
            ))}
            <th scope="col" title={t('figures.facilityHint')}>
              {t('figures.facility')}
            </th>
            <th scope="col" title={t('figures.discriminationHint')}>
              {t('figures.discrimination')}
            </th>
            <th scope="col" title={t('figures.secondsHint')}>
              {t('figures.seconds')}
            </th>
          </Box>
        </thead>
        <tbody>
          {figures.questions.map((q, n) => {
            const odd = standsOut(q);
            return (
              <Fragment key={q.id}>
                <Box
                  component="tr"
                  sx={{ borderTop: 1, borderColor: 'divider', '& td': { ...CELL } }}
                >
                  <Box component="td" sx={{ textAlign: 'left !important' }}>
                    <Box
                      component="button"
                      type="button"
                      aria-expanded={open === q.id}
                      onClick={() => setOpen(open === q.id ? null : q.id)}
                      sx={{
                        font: 'inherit',
                        color: 'inherit',
                        textAlign: 'left',
                        border: 0,
                        p: 0,
                        bgcolor: 'transparent',
                        cursor: 'pointer',
                        fontWeight: 700,
                        textDecoration: q.righted === 'LEFT_OUT' ? 'line-through' : 'none',
                      }}
                    >
                      {n + 1}. {q.text}
                    </Box>
                    {(odd || q.righted || q.changed) && (
                      <Typography variant="body2" sx={{ color: 'tone.madder' }}>
                        {q.righted
                          ? t(`figures.righted.${q.righted}`)
                          : q.changed
                            ? t('figures.changedSince')
                            : odd && t(`figures.standsOut.${odd}`)}
                      </Typography>
                    )}
                  </Box>
                  <td>{q.right}</td>
                  <td>{q.partly}</td>
                  <td>{q.wrong}</td>
                  <td>{q.unanswered}</td>
                  <td>{q.asked > 0 ? inPercent(q.facility) : '–'}</td>
                  <td>{q.discrimination === undefined ? '–' : q.discrimination.toFixed(2)}</td>
                  <Box component="td" sx={{ whiteSpace: 'nowrap' }}>
                    {q.seconds === undefined ? '–' : inTime(q.seconds)}
                  </Box>
                </Box>
                {open === q.id && (
                  <tr>
                    <Box component="td" colSpan={8} sx={{ px: 2, pb: 2 }}>
                      <Given question={q} />
                      {figures.mayCorrect && (
                        <Button
                          size="small"
                          variant="outlined"
                          sx={{ mt: 1 }}
                          onClick={() => setCorrecting(q)}
                        >
                          {t('figures.putRight')}
                        </Button>
                      )}
                    </Box>
                  </tr>
                )}
              </Fragment>
            );
          })}
        </tbody>
      </Box>
      {correcting && (
        <CorrectionDialog
          step={figures.step}
          question={correcting}
          onClose={() => setCorrecting(null)}
        />
      )}
    </Box>
  );
}

function Given({ question: q }: { question: QuestionFigures }) {
  const t = useTranslations();
  const most = Math.max(1, ...q.given.map((g) => g.count));
  if (q.given.length === 0)
    return <Typography variant="body2">{t('figures.nothingGiven')}</Typography>;
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.5 }}>
      {q.given.map((g) => (
        <Box
          component="li"
          key={g.said}
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) 160px 36px',
            gap: 1.5,
            alignItems: 'center',
          }}
        >
          <Typography variant="body2" sx={{ fontWeight: g.right ? 700 : 400 }}>
            {g.said}
            {g.right && ` (${t('figures.isRight')})`}
          </Typography>
          <Box
            aria-hidden
            sx={{
              height: 10,
              width: `${(g.count / most) * 100}%`,
              bgcolor: g.right ? 'tone.lagoon' : 'tone.indigo',
              borderRadius: '2px',
            }}
          />
          <Typography variant="body2" sx={{ textAlign: 'right' }}>
            {g.count}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
