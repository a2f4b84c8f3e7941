import {
  Box,
  Button,
  FormControlLabel,
  IconButton,
  MenuItem,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import {
  api,
  type CriterionEdit,
  type Design,
  type DesignRubric,
  type RubricEdit,
} from '../api/client';
import { useCourse } from '../frame/course';
import { NameField } from '../ui/NameField';
import { useNotice } from '../ui/Notice';
import { SavedField } from '../ui/SavedField';
import { useLine } from '../ui/useNames';
import { levelsOf, moved, newCriterion, rubricEdit, withCriterion } from './rubric';
import type { Draft } from './useDraft';

interface Props {
  rubric: DesignRubric;
  design: Design;
  draft: Draft;
  onGone: () => void;
}

/** Criteria below each other, the levels of each beside each other; every change is saved. */
export function RubricEditor({ rubric, design, draft, onGone }: Props) {
  const t = useTranslations();
  const line = useLine();
  const edit = rubricEdit(rubric);
  const save = (next: RubricEdit) => draft.rubric(rubric, next);
  return (
    <Box sx={{ maxWidth: 1080, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <NameField
          of={`rubrics-${rubric.id}`}
          label={t('common.name')}
          value={rubric.name}
          onSave={(name) => save({ ...edit, name })}
          sx={{ width: 320 }}
        />
        <Typography color="textSecondary" sx={{ flex: 1 }}>
          {line(t('rubric.points', { count: rubric.of }), ...rubric.steps)}
        </Typography>
        <Kept rubric={rubric} draft={draft} onGone={onGone} />
      </Box>
      {rubric.assessed > 0 && (
        <Typography variant="body2" sx={{ color: 'tone.ochreInk' }}>
          {t('rubric.assessed', { count: rubric.assessed })}
        </Typography>
      )}
      {edit.criteria.map((criterion, n) => (
        <CriterionFields
          key={criterion.key}
          criterion={criterion}
          design={design}
          first={n === 0}
          last={n === edit.criteria.length - 1}
          onChange={(next) => save(withCriterion(edit, n, next))}
          onMove={(way) => save(moved(edit, n, way))}
        />
      ))}
      <Button
        variant="outlined"
        sx={{ justifySelf: 'start' }}
        onClick={() => save({ ...edit, criteria: [...edit.criteria, newCriterion(t)] })}
      >
        {t('rubric.addCriterion')}
      </Button>
    </Box>
  );
}

function Kept({ rubric, draft, onGone }: Omit<Props, 'design'>) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const shelve = useMutation({
    mutationFn: () =>
      api.POST('/api/courses/{course}/design/rubrics/{id}/shelving', {
        params: { path: { course: course.id, id: rubric.id } },
      }),
    onSuccess: () => {
      notice({ tone: 'success', text: t('rubric.shelved', { name: rubric.name }) });
      void client.invalidateQueries({ queryKey: ['shelf'] });
    },
    onError: (error) => notice({ tone: 'error', text: error.message }),
  });
  return (
    <>
      <Button variant="outlined" onClick={() => shelve.mutate()} disabled={shelve.isPending}>
        {t('rubric.shelve')}
      </Button>
      <Button
        variant="outlined"
        onClick={() => {
          draft.remove('rubrics', rubric.id, rubric.name);
          if (rubric.steps.length === 0) onGone();
        }}
      >
        {t('common.remove')}
      </Button>
    </>
  );
}

function CriterionFields({
  criterion,
  design,
  first,
  last,
  onChange,
  onMove,
}: {
  criterion: CriterionEdit;
  design: Design;
  first: boolean;
  last: boolean;
  onChange: (next: CriterionEdit | null) => void;
  onMove: (way: -1 | 1) => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const outcome = design.outcomes.find((o) => o.id === criterion.outcome);
  const scale = design.scales.find((s) => s.id === outcome?.scale);
  const choose = (id: number) => {
    const { outcome: _, ...rest } = criterion;
    const bare = rest.levels.map(({ standsFor: __, ...level }) => level);
    onChange({ ...rest, levels: bare, ...(id && { outcome: id }) });
  };
  return (
    <Box
      component="section"
      aria-label={criterion.name}
      sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5 }}
    >
      <Box sx={{ display: 'flex', gap: 1.25, flexWrap: 'wrap', alignItems: 'center' }}>
        <SavedField
          label={t('rubric.criterion')}
          value={criterion.name}
          onSave={(name) => onChange({ ...criterion, name })}
          sx={{ width: 260 }}
        />
        <SavedField
          label={t('common.description')}
          value={criterion.description}
          onSave={(description) => onChange({ ...criterion, description })}
          sx={{ flex: 1, minWidth: 200 }}
        />
        <TextField
          select
          label={t('plan.evidenceFor')}
          value={criterion.outcome ?? 0}
          onChange={(e) => choose(Number(e.target.value))}
          sx={{ width: 190 }}
        >
          <MenuItem value={0}>{t('rubric.noOutcome')}</MenuItem>
          {design.outcomes
            .filter((o) => !o.madeOf && (!o.retired || o.id === criterion.outcome))
            .map((o) => (
              <MenuItem key={o.id} value={o.id}>
                {o.code} {o.name}
              </MenuItem>
            ))}
        </TextField>
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={criterion.counts}
              onChange={(_, counts) => onChange({ ...criterion, counts })}
            />
          }
          label={t('rubric.counts')}
        />
        <Box sx={{ display: 'flex' }}>
          <IconButton
            size="small"
            disabled={first}
            aria-label={t('plan.moveUp')}
            onClick={() => onMove(-1)}
          >
            ↑
          </IconButton>
          <IconButton
            size="small"
            disabled={last}
            aria-label={t('plan.moveDown')}
            onClick={() => onMove(1)}
          >
            ↓
          </IconButton>
          <IconButton
            size="small"
            aria-label={t('rubric.removeCriterion', { name: criterion.name })}
            onClick={() => onChange(null)}
          >
            ×
          </IconButton>
        </Box>
      </Box>
      <Box sx={{ display: 'flex', gap: 1, mt: 1.25, flexWrap: 'wrap', alignItems: 'stretch' }}>
        {criterion.levels.map((level, n) => {
          const put = (change: Partial<CriterionEdit['levels'][number]>) =>
            onChange({
              ...criterion,
              levels: criterion.levels.map((l, i) => (i === n ? { ...l, ...change } : l)),
            });
          return (
            <Box
              key={level.key ?? `new-${n}`}
              role="group"
              aria-label={line(criterion.name, t('rubric.level', { n: n + 1 }))}
              sx={{
                flex: '1 1 170px',
                maxWidth: 260,
                display: 'grid',
                gap: 1,
                alignContent: 'start',
                border: 1,
                borderColor: 'divider',
                borderRadius: 1,
                p: 1,
              }}
            >
              <Box sx={{ display: 'flex', gap: 0.75 }}>
                <SavedField
                  label={t('rubric.levelName')}
                  value={level.name}
                  onSave={(name) => put({ name })}
                />
                {criterion.counts && (
                  <SavedField
                    label={t('plan.points')}
                    type="number"
                    value={`${level.points}`}
                    onSave={(v) => put({ points: Math.max(0, Number(v) || 0) })}
                    sx={{ width: 66, flex: 'none' }}
                  />
                )}
                {criterion.levels.length > 2 && (
                  <IconButton
                    size="small"
                    aria-label={t('rubric.removeLevel', { name: level.name })}
                    onClick={() =>
                      onChange({
                        ...criterion,
                        levels: criterion.levels.filter((_, i) => i !== n),
                      })
                    }
                    sx={{ p: 0.25, flex: 'none', alignSelf: 'center' }}
                  >
                    ×
                  </IconButton>
                )}
              </Box>
              <SavedField
                label={t('common.description')}
                multiline
                minRows={2}
                value={level.description}
                onSave={(description) => put({ description })}
              />
              {scale && (
                <TextField
                  select
                  label={t('rubric.standsFor', { code: outcome?.code ?? '' })}
                  value={level.standsFor ?? -1}
                  onChange={(e) => {
                    const key = Number(e.target.value);
                    put({ standsFor: key < 0 ? undefined : key });
                  }}
                >
                  <MenuItem value={-1}>{t('rubric.nothing')}</MenuItem>
                  {scale.levels.map((l) => (
                    <MenuItem key={l.key} value={l.key}>
                      {l.name}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            </Box>
          );
        })}
        <Box sx={{ display: 'flex', gap: 0.75, flexBasis: '100%' }}>
          <Button
            variant="outlined"
            onClick={() =>
              onChange({
                ...criterion,
                levels: [
                  ...criterion.levels,
                  {
                    name: t('plan.level', { n: criterion.levels.length + 1 }),
                    description: '',
                    points: (criterion.levels.at(-1)?.points ?? 0) + 1,
                  },
                ],
              })
            }
          >
            {t('rubric.addLevel')}
          </Button>
          {scale && (
            <Button
              variant="outlined"
              onClick={() => onChange({ ...criterion, levels: levelsOf(scale) })}
            >
              {t('rubric.fromScale')}
            </Button>
          )}
        </Box>
      </Box>
    </Box>
  );
}
