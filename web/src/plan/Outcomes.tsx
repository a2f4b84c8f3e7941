import { Button, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type Design, type DesignOutcome } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { useAsked } from '../ui/useAsked';
import { useSelection } from '../ui/useSelection';
import { AdoptDialog } from './AdoptDialog';
import { AdoptionNews } from './AdoptionNews';
import { Coverage } from './Coverage';
import { ExchangeDialog } from './ExchangeDialog';
import { USUAL_RULE } from './LevelRuleFields';
import { NewNameRow } from './NewNameRow';
import { OutcomeInspector } from './OutcomeInspector';
import { OutcomeList } from './OutcomeList';
import { ScalesDialog } from './ScalesDialog';
import { useDraft } from './useDraft';

export default function Outcomes() {
  const course = useCourse();
  const design = useQuery(queries.design(course.id));
  return <Loaded query={design}>{(data) => <Board design={data} />}</Loaded>;
}

const LETTERS = 6;

/** A code that no outcome has, from the first long word of a name: WORK, WORK2, ... */
function freeCode(outcomes: DesignOutcome[], name: string): string {
  const taken = new Set(outcomes.map((o) => o.code));
  const words = name.toUpperCase().match(/[\p{L}\d]+/gu) ?? [];
  const word = (words.find((w) => w.length > 2) ?? words[0] ?? 'NEW').slice(0, LETTERS);
  let number = 1;
  const code = () => (number === 1 ? word : `${word}${number}`);
  while (taken.has(code())) number++;
  return code();
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
  const client = useQueryClient();
  const [naming, setNaming] = useState(false);
  const [added, setAdded] = useState('');
  const add = () => {
    if (design.scales.length === 0) notice({ tone: 'error', text: t('plan.scaleFirst') });
    else setNaming(true);
  };
  useAsked({ outcome: add });
  const addNamed = (name: string, failed: () => void) => {
    const scale = design.scales[0];
    if (!scale) return failed();
    draft.add(
      'outcomes',
      () =>
        body(
          api.POST('/api/courses/{course}/design/outcomes', {
            params: { path: { course: course.id } },
            body: {
              // one after the other, each beside those that came before it
              code: freeCode(
                client.getQueryData<Design>(queries.design(course.id).queryKey)?.outcomes ?? [],
                name,
              ),
              name,
              description: '',
              scale: scale.id,
              levelRule: USUAL_RULE,
              group: chosen?.group ?? [],
            },
          }),
        ),
      (made) => {
        setAdded(made.name);
        select(`${made.id}`);
      },
      failed,
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
      {naming && (
        <NewNameRow
          label={t('plan.outcomeName')}
          hint={t('plan.outcomeNameKeys')}
          added={added}
          onAdd={addNamed}
          onEnd={() => {
            setNaming(false);
            setAdded('');
          }}
        />
      )}
      {design.outcomes.length === 0 ? (
        !naming && (
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
        )
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
