import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Box, Checkbox, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, DesignModule, DesignOutcome, DesignStep } from '../api/client';
import { Bead, Knot } from '../ui/Glyphs';
import { useNames } from '../ui/useNames';
import { SignAt } from './check/FindingSign';
import { Code } from './OutcomeRow';
import type { Picked } from './several/usePicked';

export const COLUMNS =
  '26px 30px minmax(210px, 1.5fr) minmax(110px, 1fr) minmax(120px, 1.2fr) 128px 44px';
const OPEN = { state: 'OPEN', overdue: false, outOfReach: false } as const;

/** Whether a row is picked, and its box. */
interface Tick {
  on: boolean;
  some?: boolean;
  toggle: (range: boolean) => void;
}

function Row({
  id,
  name,
  chosen,
  strong,
  onSelect,
  tick,
  glyph,
  children,
}: {
  id: string;
  name: string;
  chosen: boolean;
  strong: boolean;
  onSelect: () => void;
  tick: Tick;
  glyph: ReactNode;
  children: ReactNode;
}) {
  const t = useTranslations();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  return (
    <Box
      ref={setNodeRef}
      role="listitem"
      style={{ transform: CSS.Translate.toString(transform), transition }}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '26px 30px 1fr', md: COLUMNS },
        gap: 1,
        alignItems: 'center',
        px: 1,
        minHeight: strong ? 42 : 37,
        py: 0.4,
        borderBottom: 1,
        borderColor: 'divider',
        cursor: 'pointer',
        position: 'relative',
        zIndex: isDragging ? 5 : 0,
        bgcolor: chosen ? 'tone.madderWash' : strong ? 'tone.ground' : 'tone.panel',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-madder)' : 'none',
      }}
      onClick={onSelect}
    >
      <Checkbox
        size="small"
        checked={tick.on}
        indeterminate={tick.some}
        onClick={(e) => {
          e.stopPropagation();
          tick.toggle(e.shiftKey);
        }}
        slotProps={{ input: { 'aria-label': t('plan.severalPick', { name }) } }}
        sx={{ p: 0.25, color: 'tone.line', '@media print': { visibility: 'hidden' } }}
      />
      <Box
        component="span"
        {...attributes}
        {...listeners}
        aria-label={t('plan.drag', { name })}
        sx={{
          display: 'grid',
          placeItems: 'center',
          width: 26,
          height: 26,
          cursor: 'grab',
          borderRadius: 1,
          touchAction: 'none',
        }}
      >
        {glyph}
      </Box>
      {children}
    </Box>
  );
}

export function ModuleRow({
  module,
  number,
  chosen,
  waits,
  picked,
  onSelect,
}: {
  module: DesignModule;
  number: number;
  chosen: boolean;
  /** How many learners it is closed for. */
  waits: number;
  picked: Picked;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const ids = module.steps.map((s) => s.id);
  const on = ids.length > 0 && ids.every(picked.has);
  return (
    <Row
      id={`module-${module.id}`}
      name={module.name}
      chosen={chosen}
      strong
      tick={{ on, some: !on && ids.some(picked.has), toggle: () => picked.toggleAll(ids) }}
      onSelect={onSelect}
      glyph={<Knot size={24} filled={module.opensWhen !== undefined} />}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', minWidth: 0 }}>
        <SignAt part="MODULES" id={module.id} />
        <Name
          text={`${number}. ${module.name}`}
          off={!module.published}
          onSelect={onSelect}
          chosen={chosen}
          big
        />
        <Box sx={{ ml: 1, flex: 'none' }}>
          <Waits count={waits} />
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary">
        {module.doneWhen?.line ?? t('plan.moduleUsual')}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {module.opensWhen?.line ?? t('plan.always')}
      </Typography>
      <span />
      <span />
    </Row>
  );
}

/** The end of the course: when it is complete. */
export function CourseRow({
  completion,
  flags,
  chosen,
  onSelect,
}: {
  completion: Design['completion'];
  flags: Design['flags'];
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
  return (
    <Box
      role="listitem"
      onClick={onSelect}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '26px 1fr', md: COLUMNS },
        gap: 1,
        alignItems: 'center',
        px: 1,
        py: 0.75,
        borderTop: 1,
        borderColor: 'divider',
        cursor: 'pointer',
        bgcolor: chosen ? 'tone.madderWash' : 'tone.ground',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-madder)' : 'none',
      }}
    >
      <Box component="span" sx={{ display: { xs: 'none', md: 'block' } }} />
      <Box component="span" sx={{ display: 'grid', placeItems: 'center' }}>
        <Knot size={24} filled={completion.completeWhen !== undefined} />
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', minWidth: 0 }}>
        <SignAt part="COMPLETION" id={completion.id} />
        <Name text={t('plan.courseEnd')} off={false} onSelect={onSelect} chosen={chosen} big />
      </Box>
      <Box sx={{ gridColumn: { xs: '2', md: '4 / -1' }, minWidth: 0 }}>
        <RuleLine
          line={t('plan.completeWhenLine', {
            rule: completion.completeWhen?.line ?? t('plan.courseUsual'),
          })}
        />
        <Typography variant="caption" color="textSecondary">
          {t('plan.flagCount', { count: flags.length })}
        </Typography>
      </Box>
    </Box>
  );
}

/** For whom a step is, where it is not for everybody. */
function useAudience({ groups, people }: DesignStep, all: Design['groups']) {
  const t = useTranslations();
  const listed = useNames();
  const names = groups.map((id) => all.find((g) => g.id === id)?.name ?? '…');
  if (people.length > 0) names.push(t('plan.audiencePeople', { count: people.length }));
  return names.length > 0 ? t('plan.audienceOnly', { names: listed(names, 2) }) : null;
}

export function StepRow({
  step,
  outcomes,
  groups,
  chosen,
  waits,
  picked,
  onSelect,
}: {
  step: DesignStep;
  outcomes: DesignOutcome[];
  groups: Design['groups'];
  chosen: boolean;
  /** How many learners it is closed for. */
  waits: number;
  picked: Picked;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const audience = useAudience(step, groups);
  return (
    <Row
      id={`step-${step.id}`}
      name={step.name}
      chosen={chosen}
      strong={false}
      tick={{ on: picked.has(step.id), toggle: (range) => picked.toggle(step.id, range) }}
      onSelect={onSelect}
      glyph={step.opensWhen ? <Knot size={18} /> : <Bead bead={OPEN} silent />}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', minWidth: 0 }}>
        <Typography variant="body2" color="textSecondary" sx={{ width: 76, flex: 'none' }}>
          {t(`kind.${step.kind}.name`)}
        </Typography>
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            columnGap: 1,
            alignItems: 'baseline',
            flex: 1,
            minWidth: 0,
          }}
        >
          <Box sx={{ display: 'flex', minWidth: 0 }}>
            <SignAt part="STEPS" id={step.id} />
            <Name text={step.name} off={!step.published} onSelect={onSelect} chosen={chosen} />
          </Box>
          <Waits count={waits} />
          {!step.required && (
            <Typography variant="caption" color="textSecondary">
              {t('learn.extra')}
            </Typography>
          )}
          {audience && (
            <Typography
              variant="caption"
              noWrap
              title={audience}
              sx={{ color: 'tone.indigo', maxWidth: '100%' }}
            >
              {audience}
            </Typography>
          )}
        </Box>
      </Box>
      <RuleLine line={step.doneWhen.line} />
      <RuleLine line={step.opensWhen?.line} soft />
      <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
        {step.evidenceFor.slice(0, 4).map((tie) => {
          const outcome = outcomes.find((o) => o.id === tie.outcome);
          return outcome ? <Code key={tie.outcome} code={outcome.code} /> : null;
        })}
        {step.evidenceFor.length > 4 && (
          <Typography variant="caption">+{step.evidenceFor.length - 4}</Typography>
        )}
      </Box>
      <Typography variant="body2" color="textSecondary">
        {step.points || ''}
      </Typography>
    </Row>
  );
}

/** How many learners stand before a knot. */
function Waits({ count }: { count: number }) {
  const t = useTranslations();
  if (count === 0) return null;
  return (
    <Typography variant="caption" noWrap sx={{ color: 'tone.madder' }}>
      {t('plan.waitHere', { count })}
    </Typography>
  );
}

function Name({
  text,
  off,
  onSelect,
  chosen,
  big = false,
}: {
  text: string;
  off: boolean;
  onSelect: () => void;
  chosen: boolean;
  big?: boolean;
}) {
  const t = useTranslations();
  return (
    <Typography
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={(e) => {
        e.stopPropagation();
        onSelect();
      }}
      variant={big ? 'h2' : 'body1'}
      sx={{
        fontWeight: 700,
        textAlign: 'left',
        border: 0,
        p: 0,
        bgcolor: 'transparent',
        color: off ? 'tone.soft' : 'tone.ink',
        cursor: 'pointer',
        minWidth: 0,
      }}
    >
      {text}
      {off && ` (${t('plan.hidden')})`}
    </Typography>
  );
}

/** A rule in at most two lines; the whole of it stands in the title and in the inspector. */
function RuleLine({ line, soft = false }: { line: string | undefined; soft?: boolean }) {
  return (
    <Typography
      variant="body2"
      title={line}
      color={soft ? 'textSecondary' : undefined}
      sx={{
        display: '-webkit-box',
        WebkitLineClamp: 2,
        WebkitBoxOrient: 'vertical',
        overflow: 'hidden',
      }}
    >
      {line}
    </Typography>
  );
}
