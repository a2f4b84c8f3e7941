import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { api, body, type Design, type DesignOutcome } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { Empty, Kicker, Loaded, WithInspector } from '../ui/Panel';
import { useSelection } from '../ui/useSelection';
import { SavedField } from './SavedField';
import { type Draft, useDraft } from './useDraft';

export default function Outcomes() {
  const course = useCourse();
  const design = useQuery(queries.design(course.id));
  return <Loaded query={design}>{(data) => <Board design={data} />}</Loaded>;
}

/** The first of NEW1, NEW2, ... that no outcome has. */
function freeCode(outcomes: DesignOutcome[]): string {
  const taken = new Set(outcomes.map((o) => o.code));
  let number = 1;
  while (taken.has(`NEW${number}`)) number++;
  return `NEW${number}`;
}

function Board({ design }: { design: Design }) {
  const { t } = useTranslation();
  const course = useCourse();
  const draft = useDraft(course.id);
  const notice = useNotice();
  const [sel, select] = useSelection();
  const chosen = design.outcomes.find((o) => `${o.id}` === sel);
  const add = () => {
    const scale = design.scales[0];
    if (!scale) {
      notice({ tone: 'error', text: t('plan.scaleFirst') });
      return;
    }
    draft.add(
      'outcomes',
      () =>
        body(
          api.POST('/api/courses/{course}/design/outcomes', {
            params: { path: { course: course.id } },
            body: {
              code: freeCode(design.outcomes),
              name: t('plan.newOutcome'),
              description: '',
              scale: scale.id,
              method: 'MOST_RECENT',
            },
          }),
        ),
      (made) => select(`${made.id}`),
    );
  };
  return (
    <WithInspector
      inspector={
        chosen ? (
          <Inspector
            key={chosen.id}
            outcome={chosen}
            design={design}
            draft={draft}
            onGone={() => select(null)}
          />
        ) : null
      }
      onClose={() => select(null)}
    >
      <Actions>
        <Button variant="contained" onClick={add}>
          {t('plan.addOutcome')}
        </Button>
      </Actions>
      {design.outcomes.length === 0 ? (
        <Empty
          title={t('plan.emptyOutcomes')}
          action={
            <Button variant="contained" onClick={add}>
              {t('plan.addOutcome')}
            </Button>
          }
        />
      ) : (
        <Box
          component="ul"
          sx={{
            listStyle: 'none',
            m: 0,
            p: 0,
            bgcolor: 'tone.panel',
            border: 1,
            borderColor: 'divider',
          }}
        >
          {design.outcomes.map((o) => (
            <Row
              key={o.id}
              outcome={o}
              design={design}
              chosen={`${o.id}` === sel}
              onSelect={() => select(`${o.id}`)}
            />
          ))}
        </Box>
      )}
    </WithInspector>
  );
}

function Row({
  outcome,
  design,
  chosen,
  onSelect,
}: {
  outcome: DesignOutcome;
  design: Design;
  chosen: boolean;
  onSelect: () => void;
}) {
  const { t } = useTranslation();
  const scale = design.scales.find((s) => s.id === outcome.scale);
  const steps = design.modules
    .flatMap((m) => m.steps)
    .filter((s) => s.evidenceFor.some((tie) => tie.outcome === outcome.id));
  return (
    <Box
      component="li"
      sx={{ borderBottom: 1, borderColor: 'divider', '&:last-child': { borderBottom: 0 } }}
    >
      <Box
        component="button"
        type="button"
        onClick={onSelect}
        aria-pressed={chosen}
        sx={{
          font: 'inherit',
          color: 'inherit',
          textAlign: 'left',
          width: '100%',
          border: 0,
          cursor: 'pointer',
          display: 'grid',
          gridTemplateColumns: { xs: '70px 1fr', md: '76px minmax(0, 1.2fr) 150px minmax(0, 1fr)' },
          gap: 1.5,
          alignItems: 'baseline',
          px: 1.5,
          py: 1,
          bgcolor: chosen ? 'tone.madderWash' : 'transparent',
          boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-madder)' : 'none',
          '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
        }}
      >
        <Code code={outcome.code} />
        <Typography sx={{ fontWeight: 700 }}>{outcome.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {scale?.name}, {t(`plan.methods.${outcome.method}`)}
        </Typography>
        <Typography variant="body2" color={steps.length ? 'textSecondary' : 'primary'}>
          {steps.length ? steps.map((s) => s.name).join(', ') : t('plan.nowhere')}
        </Typography>
      </Box>
    </Box>
  );
}

export function Code({ code }: { code: string }) {
  return (
    <Box
      component="span"
      sx={{
        justifySelf: 'start',
        px: 0.7,
        py: 0.1,
        borderRadius: '3px',
        bgcolor: 'tone.indigoTint',
        color: 'tone.indigo',
        fontSize: 12,
        fontWeight: 700,
        whiteSpace: 'nowrap',
      }}
    >
      {code}
    </Box>
  );
}

function Inspector({
  outcome,
  design,
  draft,
  onGone,
}: {
  outcome: DesignOutcome;
  design: Design;
  draft: Draft;
  onGone: () => void;
}) {
  const { t } = useTranslation();
  const scale = design.scales.find((s) => s.id === outcome.scale);
  return (
    <Box sx={{ display: 'grid', gap: 1.75 }}>
      <Kicker>{t('frame.outcomes')}</Kicker>
      <SavedField
        label={t('plan.code')}
        value={outcome.code}
        onSave={(code) => draft.outcome(outcome, { code })}
      />
      <SavedField
        label={t('common.name')}
        value={outcome.name}
        onSave={(name) => draft.outcome(outcome, { name })}
      />
      <SavedField
        label={t('common.description')}
        multiline
        minRows={3}
        value={outcome.description}
        onSave={(description) => draft.outcome(outcome, { description })}
      />
      <TextField
        select
        label={t('plan.scale')}
        value={outcome.scale}
        onChange={(e) => draft.outcome(outcome, { scale: Number(e.target.value) })}
      >
        {design.scales.map((s) => (
          <MenuItem key={s.id} value={s.id}>
            {s.name}
          </MenuItem>
        ))}
      </TextField>
      {scale && (
        <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
          {scale.levels.map((l, n) => (
            <Typography
              component="li"
              key={l.name}
              variant="body2"
              sx={{ fontWeight: n === scale.mastery ? 700 : 400 }}
            >
              {l.name}
              {n === scale.mastery && ` = ${t('plan.mastery')}`}
              {l.description && (
                <Box component="span" sx={{ color: 'tone.soft', fontWeight: 400 }}>
                  {' '}
                  {l.description}
                </Box>
              )}
            </Typography>
          ))}
        </Box>
      )}
      <TextField
        select
        label={t('plan.method')}
        value={outcome.method}
        onChange={(e) =>
          draft.outcome(outcome, { method: e.target.value as DesignOutcome['method'] })
        }
      >
        {(['MOST_RECENT', 'BEST', 'MEAN'] as const).map((m) => (
          <MenuItem key={m} value={m}>
            {t(`plan.methods.${m}`)}
          </MenuItem>
        ))}
      </TextField>
      <Button
        variant="outlined"
        sx={{ justifySelf: 'start' }}
        onClick={() => {
          draft.remove('outcomes', outcome.id, outcome.name);
          onGone();
        }}
      >
        {t('common.remove')}
      </Button>
    </Box>
  );
}
