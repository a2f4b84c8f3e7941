import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, DesignOutcome, DesignStep } from '../api/client';
import { Empty } from '../ui/Panel';
import { SignKey } from '../ui/SignKey';
import { tone } from '../ui/tone';
import { Unseen } from '../ui/Unseen';
import { keysHere } from '../ui/useKeys';
import { useRows } from '../ui/useRows';
import { counts, type Tie, tieOf, toggled } from './coverage';
import { Code } from './OutcomeRow';
import type { Draft } from './useDraft';

const CELL = 26;

/** Outcomes by steps: where each is taught and assessed, with gaps marked. */
export function Coverage({ design, draft }: { design: Design; draft: Draft }) {
  const t = useTranslations();
  const steps = design.modules.flatMap((m) => m.steps);
  const { list, rows, measure, style, show } = useRows<HTMLDivElement>(design.outcomes.length, 34);
  const [at, setAt] = useState<[number, number]>([0, 0]);
  const toggle = (outcome: DesignOutcome, step: DesignStep) => {
    if (!outcome.madeOf) draft.step(step, { evidenceFor: toggled(step, outcome.id) });
  };
  const go = (down: number, across: number) => () => {
    const r = Math.max(0, Math.min(design.outcomes.length - 1, at[0] + down));
    setAt([r, Math.max(0, Math.min(steps.length - 1, at[1] + across))]);
    show(r);
  };
  const keys = keysHere({
    ArrowRight: go(0, 1),
    ArrowLeft: go(0, -1),
    ArrowDown: go(1, 0),
    ArrowUp: go(-1, 0),
    'Space, Enter': () => {
      const outcome = design.outcomes[at[0]];
      const step = steps[at[1]];
      if (outcome && step) toggle(outcome, step);
    },
  });
  if (steps.length === 0) return <Empty title={t('plan.noSteps')} hint={t('plan.noStepsHint')} />;
  const columns = `minmax(200px, 260px) repeat(${steps.length}, ${CELL}px) minmax(150px, 1fr)`;
  const chosen = design.outcomes[at[0]];
  const column = steps[at[1]];
  return (
    <Box sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider' }}>
      <Box sx={{ px: 1.5, pt: 1 }}>
        <Typography variant="body2" color="textSecondary">
          {t('plan.coverageHint')}
        </Typography>
        <SignKey
          signs={(['taught', 'assessed', 'parts'] as const).map((tie) => ({
            sign: <TieMark tie={tie} />,
            means: t(words(tie)),
          }))}
        />
      </Box>
      <Typography role="status" sx={{ px: 1.5, pb: 1, minHeight: 28 }}>
        {chosen && column && (
          <>
            <b>{chosen.code}</b> · {column.name}: {t(words(tieOf(design, chosen, column)))}
          </>
        )}
      </Typography>
      <Box sx={{ overflowX: 'auto', position: 'relative' }}>
        <div
          role="grid"
          aria-label={t('plan.coverage')}
          tabIndex={0}
          onKeyDown={keys}
          style={{ minWidth: 'max-content' }}
        >
          <Box role="row" sx={{ display: 'grid', gridTemplateColumns: columns, height: 24 }}>
            <span role="columnheader">
              <Unseen>{t('frame.outcomes')}</Unseen>
            </span>
            {design.modules.map((m, n) =>
              m.steps.length === 0 ? null : (
                <Typography
                  key={m.id}
                  role="columnheader"
                  variant="caption"
                  title={m.name}
                  sx={{
                    gridColumn: `span ${m.steps.length}`,
                    borderLeft: 1,
                    borderColor: 'divider',
                    pl: 0.5,
                    fontWeight: 700,
                    overflow: 'hidden',
                    whiteSpace: 'nowrap',
                    textOverflow: 'ellipsis',
                  }}
                >
                  {n + 1} {m.steps.length > 2 ? m.name : ''}
                </Typography>
              ),
            )}
          </Box>
          <Box
            role="row"
            sx={{
              display: 'grid',
              gridTemplateColumns: columns,
              height: 132,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <span role="columnheader">
              <Unseen>{t('frame.outcomes')}</Unseen>
            </span>
            {steps.map((s, c) => (
              <Typography
                key={s.id}
                role="columnheader"
                variant="caption"
                title={s.name}
                sx={{
                  writingMode: 'vertical-rl',
                  transform: 'rotate(180deg)',
                  height: 128,
                  width: CELL,
                  lineHeight: `${CELL}px`,
                  overflow: 'hidden',
                  whiteSpace: 'nowrap',
                  textOverflow: 'ellipsis',
                  color: c === at[1] ? 'tone.indigo' : 'tone.soft',
                  fontWeight: c === at[1] ? 700 : 400,
                }}
              >
                {s.name}
              </Typography>
            ))}
          </Box>
          <div ref={list} style={style}>
            {rows.map(({ index: r, style: place }) => {
              const o = design.outcomes[r];
              return (
                o && (
                  <div key={o.id} ref={measure} data-index={r} style={place}>
                    <Row
                      outcome={o}
                      design={design}
                      steps={steps}
                      columns={columns}
                      at={r === at[0] ? at[1] : -1}
                      onPick={(c) => {
                        setAt([r, c]);
                        const step = steps[c];
                        if (step) toggle(o, step);
                      }}
                    />
                  </div>
                )
              );
            })}
          </div>
        </div>
      </Box>
    </Box>
  );
}

function words(tie: Tie) {
  return {
    none: 'plan.notTied',
    taught: 'plan.taught',
    assessed: 'plan.assessed',
    parts: 'plan.throughParts',
  }[tie] as 'plan.notTied';
}

function Row({
  outcome,
  design,
  steps,
  columns,
  at,
  onPick,
}: {
  outcome: DesignOutcome;
  design: Design;
  steps: DesignStep[];
  columns: string;
  at: number;
  onPick: (column: number) => void;
}) {
  const t = useTranslations();
  const found = counts(design, outcome);
  return (
    <Box
      role="row"
      sx={{
        display: 'grid',
        gridTemplateColumns: columns,
        alignItems: 'center',
        minHeight: 32,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: at >= 0 ? 'tone.indigoWash' : 'transparent',
      }}
    >
      <Box role="rowheader" sx={{ display: 'flex', gap: 1, pl: 1.5, minWidth: 0 }}>
        <Code code={outcome.code} />
        <Typography
          variant="body2"
          title={outcome.name}
          sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
        >
          {outcome.name}
        </Typography>
      </Box>
      {steps.map((s, c) => {
        const tie = tieOf(design, outcome, s);
        return (
          <Box
            key={s.id}
            role="gridcell"
            aria-selected={c === at}
            aria-label={t('plan.coverageCell', {
              code: outcome.code,
              step: s.name,
              state: t(words(tie)),
            })}
            onClick={() => onPick(c)}
            sx={{
              width: CELL,
              height: 31,
              display: 'grid',
              placeItems: 'center',
              cursor: outcome.madeOf ? 'default' : 'pointer',
              outline: c === at ? '1.5px solid' : 0,
              outlineColor: 'tone.indigo',
              outlineOffset: -2,
              '&:hover': { bgcolor: 'tone.ground' },
            }}
          >
            <TieMark tie={tie} />
          </Box>
        );
      })}
      <Typography variant="body2" component="span" sx={{ px: 1.5, whiteSpace: 'nowrap' }}>
        <Count
          n={found.taught}
          some={t('plan.taughtN', { n: found.taught })}
          none={t('plan.neverTaught')}
        />
        {' · '}
        <Count
          n={found.assessed}
          some={t('plan.assessedN', { n: found.assessed })}
          none={t('plan.neverAssessed')}
        />
      </Typography>
    </Box>
  );
}

function Count({ n, some, none }: { n: number; some: string; none: string }) {
  return n > 0 ? (
    <span>{some}</span>
  ) : (
    <Box component="b" sx={{ color: 'tone.madder' }}>
      {none}
    </Box>
  );
}

/** Taught: an open ring. Assessed: a full square. Through parts: a small dot. */
function TieMark({ tie }: { tie: Tie }) {
  const drawing = {
    none: null,
    taught: <circle cx={7} cy={7} r={4.5} fill="none" stroke={tone('indigo')} strokeWidth={2} />,
    assessed: <rect x={1.5} y={1.5} width={11} height={11} rx={1.5} fill={tone('indigo')} />,
    parts: <circle cx={7} cy={7} r={2.5} fill={tone('slate')} />,
  }[tie];
  return (
    <svg width={14} height={14} aria-hidden>
      {drawing}
    </svg>
  );
}
