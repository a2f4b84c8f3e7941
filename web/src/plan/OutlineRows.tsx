import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Box, Checkbox, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, DesignModule, DesignStep } from '../api/client';
import { Bead, Knot } from '../ui/Glyphs';
import { useNames } from '../ui/useNames';
import { SignAt } from './check/FindingSign';
import { Code } from './OutcomeRow';
import { RuleCell } from './RuleCell';
import { placeOf } from './ruleAt';
import type { Picked } from './several/usePicked';
import type { Draft } from './useDraft';

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
  const { attributes, listeners, setNodeRef, transform, transition, isDragging, over } =
    useSortable({ id });
  const overRule = over !== null && placeOf(String(over.id)) !== undefined;
  return (
    <Box
      ref={setNodeRef}
      role="listitem"
      style={{ transform: CSS.Translate.toString(transform), transition }}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '26px 30px minmax(0, 1fr)', md: COLUMNS },
        columnGap: 1,
        alignItems: 'center',
        // where there is no room beside the name, all else stands below it
        '& > * ~ * ~ * ~ *': { gridColumn: { xs: 3, md: 'auto' } },
        '& > :empty': { display: { xs: 'none', md: 'inline' } },
        px: 1,
        minHeight: strong ? 42 : 37,
        py: 0.4,
        borderBottom: 1,
        borderColor: 'divider',
        cursor: 'pointer',
        position: 'relative',
        zIndex: isDragging ? 5 : 0,
        // What it is held over can be read through it.
        opacity: !isDragging ? 1 : overRule ? 0.3 : 0.7,
        pointerEvents: isDragging ? 'none' : 'auto',
        bgcolor: chosen ? 'tone.indigoWash' : strong ? 'tone.ground' : 'tone.panel',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
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
        <Box component="span" aria-hidden sx={{ display: 'grid' }}>
          {glyph}
        </Box>
      </Box>
      {children}
    </Box>
  );
}

/** What rows need to show their rules and to change them. */
export interface RuleProps {
  design: Design;
  draft: Draft;
  /** The row that is dragged just now. */
  dragged: string | null;
}

export function ModuleRow({
  module,
  number,
  chosen,
  waits,
  picked,
  onSelect,
  ...rules
}: RuleProps & {
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
      <RuleCell
        at={{ place: 'module-done', id: module.id }}
        rule={module.doneWhen}
        name={module.name}
        title={t('plan.doneWhen')}
        usual={t('plan.moduleUsual')}
        example={t('plan.examples.moduleDone')}
        soft
        {...rules}
      />
      <RuleCell
        at={{ place: 'module-opens', id: module.id }}
        rule={module.opensWhen}
        name={module.name}
        title={t('plan.opensWhen')}
        usual={t('plan.always')}
        example={t('plan.examples.opens')}
        soft
        {...rules}
      />
      <span />
      <span />
    </Row>
  );
}

/** The end of the course: when it is complete. */
export function CourseRow({
  chosen,
  onSelect,
  ...rules
}: RuleProps & {
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const course = rules.design.rules;
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
        bgcolor: chosen ? 'tone.indigoWash' : 'tone.ground',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
      }}
    >
      <Box component="span" sx={{ display: { xs: 'none', md: 'block' } }} />
      <Box component="span" sx={{ display: 'grid', placeItems: 'center' }}>
        <Knot size={24} filled={course.completeWhen !== undefined} />
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', minWidth: 0 }}>
        <SignAt part="COMPLETION" id={course.id} />
        <Name text={t('plan.courseEnd')} off={false} onSelect={onSelect} chosen={chosen} big />
      </Box>
      <Box sx={{ gridColumn: { xs: '2', md: '4 / -1' }, minWidth: 0 }}>
        <RuleCell
          at={{ place: 'course-complete', id: course.id }}
          rule={course.completeWhen}
          name={t('plan.courseEnd')}
          title={t('plan.completeWhen')}
          usual={t('plan.courseUsual')}
          line={t('plan.completeWhenLine', {
            rule: course.completeWhen?.line ?? t('plan.courseUsual'),
          })}
          example={t('plan.examples.complete')}
          {...rules}
        />
        <Typography variant="caption" color="textSecondary" noWrap>
          {course.strictOrder && `${t('plan.strict')} · `}
          {t('plan.flagCount', { count: rules.design.flags.length })}
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
  chosen,
  waits,
  picked,
  onSelect,
  ...rules
}: RuleProps & {
  step: DesignStep;
  chosen: boolean;
  /** How many learners it is closed for. */
  waits: number;
  picked: Picked;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const { outcomes, groups } = rules.design;
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
      <RuleCell
        at={{ place: 'step-done', id: step.id }}
        rule={step.doneWhen}
        name={step.name}
        title={t('plan.doneWhen')}
        usual=""
        example={t('plan.examples.done')}
        needed
        {...rules}
      />
      <RuleCell
        at={{ place: 'step-opens', id: step.id }}
        rule={step.opensWhen}
        name={step.name}
        title={t('plan.opensWhen')}
        usual=""
        example={t('plan.examples.opens')}
        soft
        {...rules}
      />
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
        {step.points > 0 && (
          <Box component="span" sx={{ display: { md: 'none' } }}>
            {t('plan.points')}{' '}
          </Box>
        )}
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
