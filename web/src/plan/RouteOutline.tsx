import {
  type CollisionDetection,
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, body, type Design, type StepKind } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useAsked } from '../ui/useAsked';
import { useSelection } from '../ui/useSelection';
import { CourseInspector } from './CourseInspector';
import { CopyIn } from './copying/CopyIn';
import { plainRule } from './edits';
import { ModuleInspector } from './ModuleInspector';
import { NewNameRow } from './NewNameRow';
import { NewStepRow } from './NewStepRow';
import { COLUMNS, CourseRow, ModuleRow, StepRow } from './OutlineRows';
import { orderAfterDragOf } from './order';
import { PublishDialog } from './PublishDialog';
import { placeOf, ruleAt, setRuleAt, withDone } from './ruleAt';
import { ShowOnly } from './ShowOnly';
import { StepInspector, type Tab } from './StepInspector';
import { PickedBar } from './several/PickedBar';
import { type Picked, usePicked } from './several/usePicked';
import { type Filter, shownRows } from './shown';
import { type Draft, useDraft } from './useDraft';
import { waiting } from './waiting';

const RouteMap = lazy(() => import('./map/RouteMap'));

export default function RouteOutline() {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const [sel, select] = useSelection();
  const [params, setParams] = useSearchParams();
  const asMap = params.get('as') === 'map';
  const design = useQuery(queries.design(course.id));
  const picked = usePicked(design.data);
  const [adding, setAdding] = useState<Place | null>(null);
  const [added, setAdded] = useState('');
  // Names are typed faster than they are saved; each goes after the one before.
  const last = useRef<Place | null>(null);
  const [publishing, setPublishing] = useState(false);
  const [tab, setTab] = useState<Tab>('rules');
  const [filter, setFilter] = useState<Filter>({ show: 'all' });
  const rows = useMemo(() => design.data && shownRows(design.data, filter), [design.data, filter]);
  const [kind, id] = (sel ?? '').split('-');
  const module = kind === 'module' ? design.data?.modules.find((m) => `${m.id}` === id) : undefined;
  const step =
    kind === 'step'
      ? design.data?.modules.flatMap((m) => m.steps).find((s) => `${s.id}` === id)
      : undefined;
  const [naming, setNaming] = useState(false);
  const [notAdded, setNotAdded] = useState('');
  const [stepName, setStepName] = useState('');
  const addModule = () => {
    setAdding(null);
    setNaming(true);
  };
  /** Adds a module and goes on with its first step, which is typed before the module is there. */
  const addNamed = (name: string) => {
    setNotAdded('');
    addAt({ module: TO_COME });
    setNaming(false);
    draft.add(
      'modules',
      async () => {
        const made = await body(
          api.POST('/api/courses/{course}/design/modules', {
            params: { path: { course: course.id } },
            body: { name },
          }),
        );
        last.current = { module: made.id };
        return made;
      },
      (made) => {
        select(`module-${made.id}`);
        setAdding((now) => (now?.module === TO_COME ? { module: made.id } : now));
      },
      () => {
        setAdding(null);
        setNotAdded(name);
        setNaming(true);
      },
    );
  };
  useAsked({ publish: () => setPublishing(true), module: addModule });
  const addAt = (place: Place) => {
    last.current = place;
    setAdded('');
    setStepName('');
    setNaming(false);
    setAdding(place);
  };
  const addWhereOneStands = () => {
    const end = design.data?.modules.at(-1)?.id;
    if (step) addAt({ module: step.module, after: step.id });
    else if (module) addAt({ module: module.id });
    else if (end) addAt({ module: end });
  };
  const addStep = (stepKind: StepKind, name: string, failed: () => void) =>
    draft.add(
      'steps',
      async () => {
        const place = last.current as Place;
        const made = await body(
          api.POST('/api/courses/{course}/design/steps', {
            params: { path: { course: course.id } },
            body: { ...place, kind: stepKind, name },
          }),
        );
        last.current = { module: place.module, after: made.id };
        return made;
      },
      (made) => {
        setAdded(made.name);
        setAdding((now) => now && { module: now.module, after: made.id });
      },
      failed,
    );
  const endAdding = () => {
    setAdding(null);
    if (added && last.current?.after) select(`step-${last.current.after}`);
  };
  const inspector =
    module && design.data ? (
      <ModuleInspector
        key={module.id}
        module={module}
        design={design.data}
        draft={draft}
        onGone={() => select(null)}
      />
    ) : step && design.data ? (
      <StepInspector
        key={step.id}
        tab={tab}
        setTab={setTab}
        step={step}
        design={design.data}
        draft={draft}
        onGone={() => select(null)}
      />
    ) : kind === 'course' && design.data ? (
      <CourseInspector design={design.data} draft={draft} />
    ) : null;
  const newStep = (
    <NewStepRow
      key="new"
      place={`${adding?.module} ${adding?.after}`}
      added={added}
      name={stepName}
      setName={setStepName}
      onAdd={addStep}
      onEnd={endAdding}
    />
  );
  const newModule = (
    <NewNameRow
      label={t('plan.moduleName')}
      hint={t('plan.moduleNameKeys')}
      begin={notAdded}
      inList={!asMap && design.data?.modules.length !== 0}
      onAdd={addNamed}
      onEnd={() => {
        setNotAdded('');
        setNaming(false);
      }}
    />
  );
  return (
    <WithInspector inspector={inspector} onClose={() => select(null)}>
      <Actions>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={asMap ? 'map' : 'outline'}
          aria-label={t('plan.as')}
          onChange={(_, next: string | null) => {
            if (next === null) return;
            const to = new URLSearchParams(params);
            if (next === 'map') to.set('as', 'map');
            else to.delete('as');
            setParams(to);
          }}
        >
          <ToggleButton value="outline">{t('plan.asOutline')}</ToggleButton>
          <ToggleButton value="map">{t('plan.asMap')}</ToggleButton>
        </ToggleButtonGroup>
        <CopyIn design={design.data} draft={draft} into={module?.id ?? step?.module} />
        <Button variant="outlined" onClick={addModule}>
          {t('plan.addModule')}
        </Button>
        <Button
          variant="outlined"
          disabled={!design.data?.modules.length}
          onClick={addWhereOneStands}
        >
          {t('plan.addStep')}
        </Button>
        <Button
          variant="contained"
          disabled={!design.data?.changed && !design.data?.behind}
          onClick={() => setPublishing(true)}
        >
          {t('plan.publish')}
        </Button>
      </Actions>
      <Loaded query={design}>
        {(data) => (
          <>
            <Standing design={data} />
            {!asMap && data.modules.length > 0 && (
              <ShowOnly
                filter={filter}
                nameOf={(key) => nameIn(data, key)}
                of={step || module ? sel : null}
                shown={rows?.size}
                onFilter={setFilter}
              />
            )}
            {naming && (asMap || data.modules.length === 0) && newModule}
            {data.modules.length === 0 && adding && newStep}
            {data.modules.length === 0 && !adding && !naming && (
              <Empty
                title={t('plan.emptyRoute')}
                action={
                  <Button variant="contained" onClick={addModule}>
                    {t('plan.addModule')}
                  </Button>
                }
              />
            )}
            {data.modules.length === 0 ? null : asMap ? (
              <Suspense fallback={null}>
                <RouteMap design={data} sel={sel} select={select} />
              </Suspense>
            ) : (
              <Outline
                design={data}
                rows={rows}
                sel={sel}
                select={select}
                draft={draft}
                picked={picked}
                bar={
                  picked.steps.length > 0 && (
                    <PickedBar design={data} picked={picked} draft={draft} />
                  )
                }
                adding={adding}
                onAddTo={(to) => addAt({ module: to })}
                newStep={newStep}
                newModule={naming && newModule}
              />
            )}
          </>
        )}
      </Loaded>
      {publishing && <PublishDialog onClose={() => setPublishing(false)} />}
    </WithInspector>
  );
}

/** The name of a module or step by its key. */
function nameIn(design: Design, key: string): string | undefined {
  for (const m of design.modules) {
    if (key === `module-${m.id}`) return m.name;
    const step = m.steps.find((s) => key === `step-${s.id}`);
    if (step) return step.name;
  }
  return undefined;
}

function Standing({ design }: { design: Design }) {
  const t = useTranslations();
  return (
    <Box sx={{ mb: 1 }}>
      <Typography variant="body2" color="textSecondary">
        {design.publishedVersion
          ? t('plan.published', { n: design.publishedVersion })
          : t('plan.nothingPublished')}
        {design.changed && design.publishedVersion > 0 && (
          <Box component="b" sx={{ color: 'tone.ochreInk', ml: 1 }}>
            {t('plan.unpublishedChanges')}
          </Box>
        )}
      </Typography>
      {design.faults.length > 0 && (
        <Box
          role="alert"
          sx={{
            mt: 0.75,
            borderLeft: '3px solid',
            borderColor: 'tone.madder',
            bgcolor: 'tone.panel',
            px: 1.5,
            py: 0.75,
          }}
        >
          <Typography sx={{ fontWeight: 700 }}>{t('plan.faultsTitle')}</Typography>
          {design.faults.map((f) => (
            <Typography key={f}>{f}</Typography>
          ))}
        </Box>
      )}
    </Box>
  );
}

/** The module that was named just now and is on its way. */
const TO_COME = 0;

/** Where a step is added: after another one, or at the end of its module. */
interface Place {
  module: number;
  after?: number;
}

interface OutlineProps {
  design: Design;
  /** The rows that are shown; undefined for all. */
  rows: ReadonlySet<string> | undefined;
  adding: Place | null;
  onAddTo: (module: number) => void;
  newStep: ReactNode;
  newModule: ReactNode;
  sel: string | null;
  select: (sel: string | null) => void;
  draft: Draft;
  picked: Picked;
  /** Stands in the place of the columns' heads while steps are picked. */
  bar: ReactNode;
}

/**
 * Over the columns of rules the rule under the pointer, or nothing, so that rows stand still there;
 * otherwise the row that is nearest.
 */
const ruleOrRow: CollisionDetection = (args) => {
  const isRule = (id: unknown) => placeOf(String(id)) !== undefined;
  const among = (rules: boolean) => ({
    ...args,
    droppableContainers: args.droppableContainers.filter((c) => isRule(c.id) === rules),
  });
  const x = args.pointerCoordinates?.x;
  const overRules =
    x !== undefined &&
    among(true).droppableContainers.some(({ id }) => {
      const cell = args.droppableRects.get(id);
      return cell !== undefined && cell.left <= x && x <= cell.right;
    });
  return overRules ? pointerWithin(among(true)) : closestCenter(among(false));
};

function Outline({
  design,
  rows: only,
  sel,
  select,
  draft,
  adding,
  onAddTo,
  newStep,
  newModule,
  picked,
  bar,
}: OutlineProps) {
  const t = useTranslations();
  const notice = useNotice();
  const taught = design.learners > 0;
  const progress = useQuery({ ...queries.progress(design.course), enabled: taught }).data;
  const waits = useMemo(() => waiting(design, progress), [design, progress]);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const rows = design.modules.flatMap((m) => [
    `module-${m.id}`,
    ...m.steps.map((s) => `step-${s.id}`),
  ]);
  const [dragged, setDragged] = useState<string | null>(null);
  const drop = ({ active, over }: DragEndEvent) => {
    setDragged(null);
    if (!over || active.id === over.id) return;
    const row = String(active.id);
    const rule = placeOf(String(over.id));
    if (rule) {
      const asked = plainRule(withDone(ruleAt(design, rule), row));
      void setRuleAt(design, draft, rule, asked).then(
        ({ key }) =>
          key &&
          notice({
            tone: 'success',
            text: t('plan.droppedOn', { name: nameIn(design, row) ?? '' }),
            undo: () => void draft.undo(key),
          }),
      );
      return;
    }
    const moved = new Set(picked.steps.map((s) => s.id));
    draft.order(design, orderAfterDragOf(design.modules, row, String(over.id), moved));
  };
  const rules = { design, draft, dragged };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={ruleOrRow}
      onDragStart={({ active }) => setDragged(String(active.id))}
      onDragCancel={() => setDragged(null)}
      onDragEnd={drop}
    >
      <Box sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider' }}>
        {bar || <Heads />}
        <Box role="list" aria-label={t('plan.outline')}>
          <SortableContext items={rows} strategy={verticalListSortingStrategy}>
            {design.modules.map((m, n) =>
              only && !only.has(`module-${m.id}`) ? null : (
                <div key={m.id}>
                  <ModuleRow
                    module={m}
                    number={n + 1}
                    chosen={sel === `module-${m.id}`}
                    waits={waits.get(`module-${m.id}`) ?? 0}
                    picked={picked}
                    onSelect={() => select(`module-${m.id}`)}
                    {...rules}
                  />
                  {/* One list, in which the row of a new step moves: it keeps what is typed there. */}
                  {[
                    ...m.steps
                      .filter((s) => only?.has(`step-${s.id}`) ?? true)
                      .flatMap((s) => [
                        <StepRow
                          key={s.id}
                          step={s}
                          chosen={sel === `step-${s.id}`}
                          waits={waits.get(`step-${s.id}`) ?? 0}
                          picked={picked}
                          onSelect={() => select(`step-${s.id}`)}
                          {...rules}
                        />,
                        adding?.after === s.id && newStep,
                      ]),
                    adding?.module === m.id &&
                      !m.steps.some((s) => s.id === adding.after) &&
                      newStep,
                  ]}
                  <Box role="listitem" sx={{ '@media print': { display: 'none' } }}>
                    <Button
                      size="small"
                      onClick={() => onAddTo(m.id)}
                      aria-label={t('plan.addStepTo', { module: m.name })}
                      sx={{ ml: 4.5, my: 0.25 }}
                    >
                      {t('plan.addStep')}
                    </Button>
                  </Box>
                </div>
              ),
            )}
          </SortableContext>
          {adding?.module === TO_COME && newStep}
          {newModule}
          <CourseRow chosen={sel === 'course'} onSelect={() => select('course')} {...rules} />
        </Box>
      </Box>
    </DndContext>
  );
}

function Heads() {
  const t = useTranslations();
  return (
    <Box
      sx={{
        display: { xs: 'none', md: 'grid' },
        gridTemplateColumns: COLUMNS,
        gap: 1,
        px: 1,
        py: 0.75,
        typography: 'h3',
        color: 'tone.soft',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <span />
      <span />
      <span>{t('plan.step')}</span>
      <span>{t('plan.doneWhen')}</span>
      <span>{t('plan.opensWhen')}</span>
      <span>{t('plan.evidenceFor')}</span>
      <span>{t('plan.points')}</span>
    </Box>
  );
}
