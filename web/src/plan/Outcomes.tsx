import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { api, body, type Design, type DesignOutcome } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useSelection } from '../ui/useSelection';
import { Coverage } from './Coverage';
import { ExchangeDialog } from './ExchangeDialog';
import { USUAL_RULE } from './LevelRuleFields';
import { OutcomeInspector } from './OutcomeInspector';
import { ScalesDialog } from './ScalesDialog';
import { useDraft } from './useDraft';

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
  const [view, setView] = useState<'list' | 'coverage'>('list');
  const [scales, setScales] = useState(false);
  const [exchanging, setExchanging] = useState(false);
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
              levelRule: USUAL_RULE,
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
          <OutcomeInspector
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
        <ToggleButtonGroup
          exclusive
          size="small"
          value={view}
          onChange={(_, next) => next && setView(next)}
          aria-label={t('plan.view')}
        >
          <ToggleButton value="list">{t('plan.list')}</ToggleButton>
          <ToggleButton value="coverage">{t('plan.coverage')}</ToggleButton>
        </ToggleButtonGroup>
        <Button variant="outlined" onClick={() => setExchanging(true)}>
          {t('plan.exchangeShort')}
        </Button>
        <Button variant="outlined" onClick={() => setScales(true)}>
          {t('plan.scales')}
        </Button>
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
      ) : view === 'coverage' ? (
        <Coverage design={design} draft={draft} />
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
      {exchanging && <ExchangeDialog design={design} onClose={() => setExchanging(false)} />}
      {scales && <ScalesDialog design={design} onClose={() => setScales(false)} />}
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
    .filter((s) => s.evidenceFor.some((tie) => tie.outcome === outcome.id))
    .map((s) => s.name);
  const parts = design.outcomes
    .filter((o) => outcome.madeOf?.parts.includes(o.id))
    .map((o) => o.code);
  const from = outcome.madeOf ? parts : steps;
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
          {scale?.name},{' '}
          {outcome.madeOf
            ? t('plan.madeOfCount', { count: outcome.madeOf.parts.length })
            : t(`plan.methods.${outcome.levelRule.method}`)}
        </Typography>
        <Typography
          variant="body2"
          noWrap
          title={from.join(', ')}
          color={from.length ? 'textSecondary' : 'primary'}
        >
          {from.length ? from.join(', ') : t('plan.nowhere')}
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
