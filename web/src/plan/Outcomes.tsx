import { Button, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type Design, type DesignOutcome } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useSelection } from '../ui/useSelection';
import { AdoptDialog } from './AdoptDialog';
import { AdoptionNews } from './AdoptionNews';
import { Coverage } from './Coverage';
import { ExchangeDialog } from './ExchangeDialog';
import { USUAL_RULE } from './LevelRuleFields';
import { OutcomeInspector } from './OutcomeInspector';
import { OutcomeList } from './OutcomeList';
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
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const notice = useNotice();
  const [sel, select] = useSelection();
  const [view, setView] = useState<'list' | 'coverage'>('list');
  const [scales, setScales] = useState(false);
  const [adopting, setAdopting] = useState(false);
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
              group: chosen?.group ?? [],
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
        {!course.framework && (
          <>
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
            <Button variant="outlined" onClick={() => setAdopting(true)}>
              {t('plan.adopt')}
            </Button>
          </>
        )}
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
      <AdoptionNews design={design} />
      {design.outcomes.length === 0 ? (
        <Empty
          title={t('plan.emptyOutcomes')}
          action={
            <>
              <Button variant="contained" onClick={add}>
                {t('plan.addOutcome')}
              </Button>{' '}
              {!course.framework && (
                <Button variant="outlined" onClick={() => setAdopting(true)}>
                  {t('plan.adoptTitle')}
                </Button>
              )}
            </>
          }
        />
      ) : view === 'coverage' ? (
        <Coverage design={design} draft={draft} />
      ) : (
        <OutcomeList design={design} draft={draft} sel={sel} select={select} />
      )}
      {adopting && <AdoptDialog onClose={() => setAdopting(false)} />}
      {exchanging && <ExchangeDialog design={design} onClose={() => setExchanging(false)} />}
      {scales && <ScalesDialog design={design} onClose={() => setScales(false)} />}
    </WithInspector>
  );
}
