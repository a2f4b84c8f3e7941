import { Box } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { CrowdCame, CrowdModule, CrowdStep } from '../../api/client';
import { tone } from '../../ui/tone';
import { ThingLink } from '../check/ThingLink';

const CELL = { px: 1.25, py: 0.6, textAlign: 'right', whiteSpace: 'nowrap' } as const;
const BAR = 110;

/** How many stand at the steps of a module at last. */
const standing = (module: CrowdModule) =>
  module.steps.reduce((n, s) => n + (s.draft?.stand ?? 0), 0);

/** Module by module, and step by step where it is folded out, how the crowd got through. */
export function CrowdTable({ came }: { came: CrowdCame }) {
  const t = useTranslations();
  const most = Math.max(1, ...came.modules.flatMap((m) => m.steps.map((s) => s.draft?.stand ?? 0)));
  const worst = came.modules.reduce<CrowdModule | undefined>(
    (a, b) => (standing(b) > (a ? standing(a) : 0) ? b : a),
    undefined,
  );
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set(worst ? [worst.id] : []));
  const fold = (id: number) =>
    setOpen((now) =>
      now.has(id) ? new Set([...now].filter((m) => m !== id)) : new Set([...now, id]),
    );
  return (
    <Box sx={{ overflowX: 'auto', bgcolor: 'tone.panel', border: 1, borderColor: 'divider' }}>
      <Box component="table" sx={{ borderCollapse: 'collapse', width: '100%', minWidth: 620 }}>
        <thead>
          <Box component="tr" sx={{ '& th': { ...CELL, fontSize: 13, color: 'text.secondary' } }}>
            <Box component="th" scope="col" sx={{ textAlign: 'left !important' }}>
              {t('crowd.module')}
            </Box>
            <th scope="col">{t('crowd.reach')}</th>
            <th scope="col">{t('crowd.done')}</th>
            <Box component="th" scope="col" sx={{ textAlign: 'left !important', width: BAR + 70 }}>
              {t('crowd.stand')}
            </Box>
            <th scope="col" title={t('crowd.tookHint')}>
              {t('crowd.took')}
            </th>
          </Box>
        </thead>
        {came.modules.map((m) => (
          <Box
            component="tbody"
            key={m.id}
            sx={{
              borderTop: 1,
              borderColor: 'divider',
              '& td': CELL,
              '& td:first-of-type': { textAlign: 'left', whiteSpace: 'normal' },
            }}
          >
            <Box component="tr" sx={{ fontWeight: 700 }}>
              <td>
                <Box
                  component="button"
                  type="button"
                  aria-expanded={open.has(m.id)}
                  onClick={() => fold(m.id)}
                  sx={{
                    font: 'inherit',
                    color: 'inherit',
                    textAlign: 'left',
                    border: 0,
                    p: 0,
                    bgcolor: 'transparent',
                    cursor: 'pointer',
                  }}
                >
                  <Box component="span" aria-hidden sx={{ display: 'inline-block', width: 18 }}>
                    {open.has(m.id) ? '▾' : '▸'}
                  </Box>
                  {m.name}
                </Box>
              </td>
              <td>
                <Both draft={m.draft?.begun} today={m.today?.begun} />
              </td>
              <td>
                <Both draft={m.draft?.done} today={m.today?.done} />
              </td>
              <Box component="td" sx={{ textAlign: 'left !important' }}>
                {standing(m) > 0 && !open.has(m.id) ? standing(m) : null}
              </Box>
              <td>
                <Took draft={m.draft?.took?.half} today={m.today?.took?.half} />
              </td>
            </Box>
            {open.has(m.id) && m.steps.map((s) => <StepRow key={s.id} step={s} most={most} />)}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function StepRow({ step, most }: { step: CrowdStep; most: number }) {
  const t = useTranslations();
  const { draft, today } = step;
  return (
    <tr>
      <td>
        <Box
          component="span"
          sx={{ pl: '18px', color: step.required ? 'text.primary' : 'text.secondary' }}
        >
          {draft ? (
            <ThingLink thing={{ part: 'STEPS', id: step.id, name: step.name }} />
          ) : (
            t('crowd.gone', { name: step.name })
          )}
        </Box>
      </td>
      <td>
        <Both draft={draft?.opened} today={today?.opened} />
      </td>
      <td>
        <Both draft={draft?.done} today={today?.done} />
      </td>
      <Box component="td" sx={{ textAlign: 'left !important' }}>
        {draft && (draft.stand > 0 || (today?.stand ?? 0) > 0) && (
          <Box component="span" sx={{ display: 'inline-flex', gap: 0.75, alignItems: 'center' }}>
            <svg
              width={(draft.stand / most) * BAR}
              height={11}
              aria-hidden
              style={{ flex: 'none' }}
            >
              <rect width="100%" height="11" fill={tone('ochre')} />
              <rect
                width={`${draft.stand ? (100 * draft.noWayOn) / draft.stand : 0}%`}
                height="11"
                fill={tone('madder')}
              />
            </svg>
            <Both draft={draft.stand} today={today?.stand} />
            {draft.noWayOn > 0 && (
              <Box component="span" sx={{ color: 'tone.madder' }}>
                {t('crowd.noWayOnHere', { count: draft.noWayOn })}
              </Box>
            )}
          </Box>
        )}
      </Box>
      <td>
        <Took draft={draft?.took?.half} today={today?.took?.half} />
      </td>
    </tr>
  );
}

/** A figure of the draft, and beside it today's where that is another one. */
export function Both({ draft, today }: { draft: number | undefined; today: number | undefined }) {
  const t = useTranslations();
  return (
    <>
      {draft ?? '–'}
      {today !== undefined && today !== draft && (
        <Box component="span" sx={{ color: 'text.secondary', fontWeight: 400 }}>
          {' '}
          {t('crowd.todayIs', { n: today })}
        </Box>
      )}
    </>
  );
}

/** Days, whole from ten on. */
export const inDays = (days: number | undefined) =>
  days === undefined ? undefined : days < 10 ? Math.round(days * 10) / 10 : Math.round(days);

function Took({ draft, today }: { draft: number | undefined; today: number | undefined }) {
  return draft === undefined && today === undefined ? null : (
    <Both draft={inDays(draft)} today={inDays(today)} />
  );
}
