import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  IconButton,
  Radio,
  Typography,
} from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useFieldArray, useWatch } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body, type Design, type DesignScale, type ScaleEdit } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { Fault, Field, placeFaults } from '../ui/FormDialog';
import { useNotice } from '../ui/Notice';
import { filled, number, useFields } from '../ui/useFields';
import { AdoptedScale } from './Adopted';

interface Sketch {
  id: number | null;
  version: number;
  edit: ScaleEdit;
}

const scaleFields = z.object({
  name: filled(),
  levels: z.array(
    z.object({
      key: z.optional(z.number()),
      name: filled(),
      points: number(),
      description: z.string(),
    }),
  ),
  mastery: z.number(),
});

const sketchOf = ({ id, version, name, levels, mastery }: DesignScale): Sketch => ({
  id,
  version,
  edit: { name, levels, mastery },
});

/** The course's scales: their levels, weakest first, and from which one on it is mastery. */
export function ScalesDialog({ design, onClose }: { design: Design; onClose: () => void }) {
  const t = useTranslations();
  const first = design.scales[0];
  const fresh = (): Sketch => ({
    id: null,
    version: 0,
    edit: {
      name: t('plan.scaleNew'),
      levels: [1, 2, 3].map((n) => ({
        name: t('plan.level', { n }),
        points: n,
        description: '',
      })),
      mastery: 2,
    },
  });
  const [id, setId] = useState<number | null>(first?.id ?? null);
  const scale = design.scales.find((s) => s.id === id);
  const sketch = scale ? sketchOf(scale) : fresh();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{t('plan.scales')}</DialogTitle>
      <DialogContent sx={{ display: 'flex', gap: 3, flexWrap: 'wrap' }}>
        <Box component="nav" sx={{ width: 200, display: 'grid', gap: 0.5, alignContent: 'start' }}>
          {design.scales.map((s) => (
            <Button
              key={s.id}
              variant={sketch.id === s.id ? 'contained' : 'text'}
              color="secondary"
              aria-pressed={sketch.id === s.id}
              onClick={() => setId(s.id)}
              sx={{ justifyContent: 'start' }}
            >
              {s.name}
            </Button>
          ))}
          <Button variant="outlined" onClick={() => setId(null)}>
            {t('plan.scaleAdd')}
          </Button>
        </Box>
        <ScaleForm
          key={`${sketch.id}-${sketch.version}`}
          sketch={sketch}
          design={design}
          onSaved={(s) => setId(s.id)}
          onGone={() => setId(design.scales.find((s) => s.id !== id)?.id ?? null)}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}

function ScaleForm({
  sketch,
  design,
  onSaved,
  onGone,
}: {
  sketch: Sketch;
  design: Design;
  onSaved: (scale: DesignScale) => void;
  onGone: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const fields = useFields(scaleFields, sketch.edit);
  const levels = useFieldArray({ control: fields.control, name: 'levels' });
  const mastery = useWatch({ control: fields.control, name: 'mastery' });
  const fresh = () => client.invalidateQueries({ queryKey: queries.design(course.id).queryKey });
  const scale = design.scales.find((s) => s.id === sketch.id);
  const held = scale?.adopted !== undefined;
  const uses = design.outcomes.filter((o) => o.scale === sketch.id).map((o) => o.code);
  const path = { course: course.id, id: sketch.id ?? 0 };
  const check = useMutation({
    meta: { silent: true },
    mutationFn: (edit: ScaleEdit) =>
      sketch.id === null
        ? Promise.resolve<string[]>([])
        : body(
            api.POST('/api/courses/{course}/design/scales/{id}/effects', {
              params: { path },
              body: edit,
            }),
          ),
    onSuccess: (effects, edit) => effects.length === 0 && save.mutate(edit, misplaced),
    onError: (e) => placeFaults(e, fields),
  });
  const save = useMutation({
    mutationFn: (edit: ScaleEdit) =>
      sketch.id === null
        ? body(
            api.POST('/api/courses/{course}/design/scales', {
              params: { path: { course: course.id } },
              body: edit,
            }),
          )
        : body(
            api.PUT('/api/courses/{course}/design/scales/{id}', {
              params: { path, header: { 'If-Match': `"${sketch.version}"` } },
              body: edit,
            }),
          ),
    onSuccess: async (saved) => {
      notice({ tone: 'success', text: t('plan.scaleSaved') });
      await fresh();
      onSaved(saved);
    },
  });
  const remove = useMutation({
    mutationFn: () => api.DELETE('/api/courses/{course}/design/scales/{id}', { params: { path } }),
    onSuccess: async () => {
      await fresh();
      onGone();
    },
  });
  const misplaced = { onError: (e: Error) => placeFaults(e, fields) };
  const forget = check.reset;
  useEffect(
    () => fields.subscribe({ formState: { values: true }, callback: () => forget() }),
    [fields, forget],
  );
  const masteryFrom = (n: number) => fields.setValue('mastery', n, { shouldDirty: true });
  const add = (at: 'below' | 'above') => {
    const many = levels.fields.length;
    const made = { name: t('plan.level', { n: many + 1 }), description: '' };
    if (at === 'above') levels.append({ ...made, points: many + 1 });
    else {
      levels.prepend({ ...made, points: 0 });
      masteryFrom(mastery + 1);
    }
  };
  const takeOut = (n: number) => {
    masteryFrom(Math.min(levels.fields.length - 2, mastery - (n < mastery ? 1 : 0)));
    levels.remove(n);
  };
  const effects = check.data ?? [];
  const wrong = check.error ?? save.error ?? remove.error;
  return (
    <Box
      component="form"
      noValidate
      onSubmit={fields.handleSubmit((edit) => check.mutate(edit))}
      sx={{ flex: 1, minWidth: 320, display: 'grid', gap: 1.25 }}
    >
      {scale && <AdoptedScale scale={scale} />}
      <Field of={fields} name="name" disabled={held} label={t('common.name')} sx={{ mt: 0.75 }} />
      <Typography variant="body2" color="textSecondary">
        {t('plan.scaleHint')}{' '}
        {sketch.id !== null &&
          (uses.length > 0
            ? t('plan.scaleUsedBy', { codes: uses.join(', ') })
            : t('plan.scaleUnused'))}
      </Typography>
      <Button
        size="small"
        disabled={held}
        onClick={() => add('below')}
        sx={{ justifySelf: 'start' }}
      >
        {t('plan.addLevelBelow')}
      </Button>
      {levels.fields.map((level, n) => (
        <Box
          key={level.id}
          sx={{
            display: 'grid',
            gridTemplateColumns: '32px 130px 72px 1fr 32px',
            gap: 0.75,
            alignItems: 'start',
          }}
        >
          <Radio
            size="small"
            disabled={held}
            checked={mastery === n}
            onChange={() => masteryFrom(n)}
            title={t('plan.levelMastery', { n: n + 1 })}
            slotProps={{ input: { 'aria-label': t('plan.levelMastery', { n: n + 1 }) } }}
          />
          <Field
            of={fields}
            name={`levels.${n}.name`}
            disabled={held}
            slotProps={{ htmlInput: { 'aria-label': t('plan.level', { n: n + 1 }) } }}
            sx={{ '& input': { fontWeight: n >= mastery ? 700 : 400 } }}
          />
          <Field
            of={fields}
            name={`levels.${n}.points`}
            type="number"
            disabled={held}
            slotProps={{ htmlInput: { 'aria-label': t('plan.levelPoints', { n: n + 1 }) } }}
          />
          <Field
            of={fields}
            name={`levels.${n}.description`}
            disabled={held}
            slotProps={{ htmlInput: { 'aria-label': t('plan.levelDescription', { n: n + 1 }) } }}
          />
          <IconButton
            size="small"
            disabled={held || levels.fields.length <= 2}
            onClick={() => takeOut(n)}
            aria-label={t('plan.removeLevel', { n: n + 1 })}
          >
            ×
          </IconButton>
        </Box>
      ))}
      <Button
        size="small"
        disabled={held}
        onClick={() => add('above')}
        sx={{ justifySelf: 'start' }}
      >
        {t('plan.addLevelAbove')}
      </Button>
      <Fault error={wrong} fields={fields} />
      {effects.length > 0 && (
        <Alert severity="warning">
          {t('plan.scaleCheck')}
          {effects.map((e) => (
            <Typography key={e} variant="body2">
              {e}
            </Typography>
          ))}
        </Alert>
      )}
      <Box sx={{ display: 'flex', gap: 1 }}>
        {effects.length > 0 ? (
          <Button
            variant="contained"
            disabled={save.isPending}
            onClick={fields.handleSubmit((edit) => save.mutate(edit, misplaced))}
          >
            {t('plan.scaleSaveAnyway')}
          </Button>
        ) : (
          <Button
            type="submit"
            variant="contained"
            disabled={held || check.isPending || save.isPending}
          >
            {t('plan.scaleSave')}
          </Button>
        )}
        {sketch.id !== null && (
          <Button variant="outlined" disabled={remove.isPending} onClick={() => remove.mutate()}>
            {t('common.remove')}
          </Button>
        )}
      </Box>
    </Box>
  );
}
