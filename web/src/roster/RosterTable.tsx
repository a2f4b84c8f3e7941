import { Box, Checkbox, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { LearnerGroup, RosterLine } from '../api/client';
import { day } from '../ui/format';
import { useRows } from '../ui/useRows';

const ROW = 36;
const COLUMNS = '36px minmax(140px, 1fr) minmax(180px, 1.2fr) minmax(140px, 1fr) 96px';

interface Props {
  lines: RosterLine[];
  groups: LearnerGroup[];
  ticked: ReadonlySet<number>;
  onTick: (ticked: ReadonlySet<number>) => void;
  /** Whether learners can be ticked here. */
  mayTick: boolean;
}

/** Learners, each with the groups that they are in. */
export function RosterTable({ lines, groups, ticked, onTick, mayTick }: Props) {
  const t = useTranslations();
  const { list, rows, measure, style } = useRows<HTMLDivElement>(lines.length, ROW);
  const named = (line: RosterLine) =>
    groups
      .filter((g) => line.groups.includes(g.id))
      .map((g) => g.name)
      .join(', ');
  const toggle = (id: number) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    onTick(next);
  };
  const all = lines.length > 0 && lines.every((l) => ticked.has(l.enrolment));
  const tickAll = () => {
    const next = new Set(ticked);
    for (const l of lines) {
      if (all) next.delete(l.enrolment);
      else next.add(l.enrolment);
    }
    onTick(next);
  };
  return (
    <Box
      role="table"
      aria-label={t('frame.roster')}
      aria-rowcount={lines.length + 1}
      sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', overflowX: 'auto' }}
    >
      <Box role="row" sx={{ ...row, height: 34, typography: 'h3', color: 'tone.soft' }}>
        <span role="columnheader">
          {mayTick && (
            <Checkbox
              checked={all}
              indeterminate={!all && lines.some((l) => ticked.has(l.enrolment))}
              onChange={tickAll}
              slotProps={{ input: { 'aria-label': t('watch.tickAll') } }}
            />
          )}
        </span>
        <span role="columnheader">{t('roster.learner')}</span>
        <span role="columnheader">{t('session.email')}</span>
        <span role="columnheader">{t('roster.groups')}</span>
        <span role="columnheader">{t('roster.since')}</span>
      </Box>
      <div ref={list} style={style} role="rowgroup">
        {rows.map(({ index, style: at }) => {
          const line = lines[index];
          return line ? (
            <Box
              key={line.enrolment}
              ref={measure}
              data-index={index}
              role="row"
              aria-rowindex={index + 2}
              style={at}
              sx={{ ...row, minHeight: ROW }}
            >
              <span role="cell">
                {mayTick && (
                  <Checkbox
                    checked={ticked.has(line.enrolment)}
                    onChange={() => toggle(line.enrolment)}
                    slotProps={{ input: { 'aria-label': t('watch.row', { name: line.name }) } }}
                  />
                )}
              </span>
              <Typography role="cell" noWrap title={line.name} sx={{ fontWeight: 700, pr: 1 }}>
                {line.name}
              </Typography>
              <Typography
                role="cell"
                noWrap
                title={line.email}
                color="textSecondary"
                sx={{ pr: 1 }}
              >
                {line.email}
              </Typography>
              <Typography role="cell" noWrap title={named(line)} sx={{ pr: 1 }}>
                {named(line)}
              </Typography>
              <Typography role="cell" color="textSecondary" noWrap>
                {day(line.enrolledAt)}
              </Typography>
            </Box>
          ) : null;
        })}
      </div>
    </Box>
  );
}

const row = {
  display: 'grid',
  gridTemplateColumns: COLUMNS,
  minWidth: 'max-content',
  alignItems: 'center',
  borderBottom: 1,
  borderColor: 'divider',
};
