import { Box, Button, IconButton, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, Proposal, Rehearsal, RehearsedLine } from '../../api/client';
import { readThread } from '../../ui/beads';
import { day } from '../../ui/format';
import { NameField } from '../../ui/NameField';
import { layThread, Thread } from '../../ui/Thread';
import { ConditionInput } from '../ConditionInput';
import type { Draft } from '../useDraft';
import { asIf, type Chosen, later, moved, movedBeads, withLine } from './lines';

const MOST_DAYS = 1000;

interface Props {
  rehearsal: Rehearsal;
  design: Design;
  draft: Draft;
  chosen: Chosen | undefined;
  select: (line: number | undefined, step?: number) => void;
  onGone: () => void;
}

/** The lines of a rehearsal, each with the whole thread behind it. */
export function Script({ rehearsal, design, draft, chosen, select, onGone }: Props) {
  const t = useTranslations();
  const lines = rehearsal.lines.map((l) => l.line);
  const steps = design.modules.flatMap((m) =>
    m.steps.map((s) => ({ module: m.id, published: m.published && s.published, name: s.name })),
  );
  const laid = layThread(steps);
  const names = steps.map((s) => s.name);
  const after = chosen?.step === undefined ? chosen?.line : undefined;
  const change = (to: typeof lines) => draft.rehearsal(rehearsal, { lines: to });
  const take = (p: Proposal) => {
    const days = p.leaf.is === 'later' ? Number(p.leaf.days) : 0;
    change(withLine(lines, days > 0 ? later(days) : asIf(p.leaf), after));
    if (after !== undefined) select(after + 1);
  };
  const also = (text: string): Proposal[] => {
    const days = Number(/\d+/.exec(text)?.[0] ?? 0);
    if (days < 1 || days > MOST_DAYS) return [];
    return [
      { leaf: { is: 'later', days }, subject: '', says: t('rehearse.laterDays', { n: days }) },
    ];
  };
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', mb: 1 }}>
        <Box sx={{ flex: 1, maxWidth: 420 }}>
          <NameField
            of={`rehearsals-${rehearsal.id}`}
            label={t('common.name')}
            fullWidth
            value={rehearsal.name}
            onSave={(name) => draft.rehearsal(rehearsal, { name })}
          />
        </Box>
        <Button
          size="small"
          sx={{ color: 'tone.ink' }}
          aria-label={t('rehearse.remove', { name: rehearsal.name })}
          onClick={() => {
            draft.remove('rehearsals', rehearsal.id, rehearsal.name);
            onGone();
          }}
        >
          {t('common.remove')}
        </Button>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {t('rehearse.hint')}
      </Typography>
      <Box component="ol" aria-label={t('rehearse.script')} sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {rehearsal.lines.map((line, n) => (
          <ScriptLine
            // biome-ignore lint/suspicious/noArrayIndexKey: lines have no other name than their place
            key={n}
            line={line}
            number={n + 1}
            chosen={chosen?.line === n}
            onSelect={() => select(after === n ? undefined : n)}
            onRemove={() => {
              change(lines.filter((_, at) => at !== n));
              select(undefined);
            }}
            onMove={(by) => {
              change(moved(lines, n, by));
              select(n + by);
            }}
          >
            {line.line.is !== 'expect' && (
              <Box sx={{ overflowX: 'auto' }}>
                <Thread
                  beads={readThread(line.thread)}
                  slots={laid.slots}
                  width={laid.width}
                  label={t('rehearse.threadBehind', { n: n + 1 })}
                  names={names}
                  selected={chosen?.line === n ? chosen.step : undefined}
                  moved={movedBeads(rehearsal.lines[n - 1]?.thread, line.thread)}
                  onSelect={(step) => select(n, step)}
                />
              </Box>
            )}
          </ScriptLine>
        ))}
      </Box>
      <Box sx={{ mt: 1.5, maxWidth: 640 }}>
        <ConditionInput
          at={{ place: 'course-complete', id: design.course }}
          example=""
          label={
            after === undefined ? t('rehearse.next') : t('rehearse.nextAfter', { n: after + 1 })
          }
          also={also}
          onTake={take}
        />
      </Box>
    </Box>
  );
}

function ScriptLine({
  line,
  number,
  chosen,
  onSelect,
  onRemove,
  onMove,
  children,
}: {
  line: RehearsedLine;
  number: number;
  chosen: boolean;
  onSelect: () => void;
  onRemove: () => void;
  onMove: (by: 1 | -1) => void;
  children: React.ReactNode;
}) {
  const t = useTranslations();
  const expected = line.line.is === 'expect';
  const wrong = line.cannot !== undefined || line.holds === false;
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: '28px minmax(0, 1fr) auto',
        borderBottom: 1,
        borderColor: 'divider',
        py: 0.75,
        bgcolor: wrong ? 'tone.madderWash' : 'transparent',
        boxShadow: wrong
          ? 'inset 3px 0 0 var(--mui-palette-tone-madder)'
          : chosen
            ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)'
            : 'none',
        '& .acts button': { p: 0.25, width: 24, height: 24, fontSize: 15 },
        '& .acts': { opacity: chosen ? 1 : 0 },
        '&:hover .acts, &:focus-within .acts': { opacity: 1 },
      }}
    >
      <Typography variant="caption" color="textSecondary" sx={{ pl: 1, pt: 0.25 }}>
        {number}
      </Typography>
      <Box sx={{ minWidth: 0 }}>
        <Typography
          component="button"
          type="button"
          aria-pressed={chosen}
          onClick={onSelect}
          sx={{
            border: 0,
            p: 0,
            bgcolor: 'transparent',
            color: 'inherit',
            textAlign: 'left',
            cursor: 'pointer',
            fontWeight: expected ? 400 : 700,
          }}
        >
          {expected && (
            <Box component="span" sx={{ color: wrong ? 'tone.madder' : 'tone.lagoon', mr: 0.75 }}>
              {wrong ? '✗' : '✓'} {t('rehearse.expect')}
            </Box>
          )}
          {line.says}
        </Typography>{' '}
        {!expected && (
          <Typography component="span" variant="body2" color="textSecondary">
            {day(line.at)}
          </Typography>
        )}
        {line.cannot && (
          <Typography component="span" variant="body2" sx={{ color: 'tone.madder', ml: 1 }}>
            {line.cannot}
          </Typography>
        )}
        {line.holds === false && !line.cannot && (
          <Typography component="span" variant="body2" sx={{ color: 'tone.madder', ml: 1 }}>
            {t('rehearse.notSo')}
          </Typography>
        )}
        {line.came.length > 0 && (
          <Typography
            variant="body2"
            color="textSecondary"
            title={line.came.join(' · ')}
            sx={{
              display: '-webkit-box',
              WebkitLineClamp: 2,
              WebkitBoxOrient: 'vertical',
              overflow: 'hidden',
            }}
          >
            {line.came.join(' · ')}
          </Typography>
        )}
        {children}
      </Box>
      <Box className="acts" sx={{ whiteSpace: 'nowrap', '@media print': { display: 'none' } }}>
        <IconButton
          size="small"
          aria-label={t('rehearse.up', { n: number })}
          onClick={() => onMove(-1)}
        >
          ↑
        </IconButton>
        <IconButton
          size="small"
          aria-label={t('rehearse.down', { n: number })}
          onClick={() => onMove(1)}
        >
          ↓
        </IconButton>
        <IconButton size="small" aria-label={t('rehearse.out', { n: number })} onClick={onRemove}>
          ×
        </IconButton>
      </Box>
    </Box>
  );
}
