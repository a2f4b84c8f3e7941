import { Autocomplete, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignOutcome, DesignStep } from '../api/client';
import type { Draft } from './useDraft';

const ofOutcome = (id: number) => (tie: DesignStep['evidenceFor'][number]) => tie.outcome === id;

/** The steps that give evidence of an outcome: a step is tied here as well as where it stands. */
export function EvidenceFrom({
  outcome,
  design,
  draft,
}: {
  outcome: DesignOutcome;
  design: Design;
  draft: Draft;
}) {
  const t = useTranslations();
  const its = ofOutcome(outcome.id);
  const steps = design.modules.flatMap((m) => m.steps);
  const moduleOf = (s: DesignStep) => design.modules.find((m) => m.id === s.module)?.name ?? '';
  const tied = steps.filter((s) => s.evidenceFor.some(its));
  const tie = (next: DesignStep[]) => {
    for (const s of next.filter((n) => !tied.includes(n)))
      void draft.step(s, { evidenceFor: [...s.evidenceFor, { outcome: outcome.id, weight: 1 }] });
    for (const s of tied.filter((was) => !next.includes(was)))
      void draft.step(s, { evidenceFor: s.evidenceFor.filter((other) => !its(other)) });
  };
  return (
    <Autocomplete
      multiple
      autoHighlight
      size="small"
      options={steps}
      value={tied}
      disableCloseOnSelect
      groupBy={moduleOf}
      getOptionKey={(s) => s.id}
      getOptionLabel={(s) => s.name}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      onChange={(_, next) => tie(next)}
      renderInput={(params) => <TextField {...params} label={t('plan.evidenceFrom')} />}
    />
  );
}
