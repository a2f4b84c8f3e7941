import { Autocomplete, Box, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, DesignStep } from '../api/client';
import { least } from '../ui/format';
import { SavedField } from '../ui/SavedField';

interface Props {
  design: Design;
  step: DesignStep;
  onChange: (ties: DesignStep['evidenceFor']) => void;
}

/** The outcomes that a step gives evidence of, each with its weight. */
export function EvidenceFields({ design, step, onChange }: Props) {
  const t = useTranslations();
  const ties = step.evidenceFor;
  const outcome = (id: number) => design.outcomes.find((o) => o.id === id);
  return (
    <>
      <Autocomplete
        multiple
        size="small"
        options={design.outcomes.filter((o) => !o.madeOf && !o.retired).map((o) => o.id)}
        value={ties.map((tie) => tie.outcome)}
        getOptionLabel={(id) => `${outcome(id)?.code ?? ''} ${outcome(id)?.name ?? ''}`.trim()}
        onChange={(_, ids) =>
          onChange(
            ids.map((id) => ties.find((tie) => tie.outcome === id) ?? { outcome: id, weight: 1 }),
          )
        }
        renderInput={(params) => <TextField {...params} label={t('plan.evidenceFor')} />}
      />
      {ties.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {ties.map((tie) => (
            <SavedField
              key={tie.outcome}
              label={t('plan.tieWeight', { code: outcome(tie.outcome)?.code ?? '' })}
              type="number"
              value={`${tie.weight}`}
              onSave={(v) =>
                onChange(
                  ties.map((other) =>
                    other.outcome === tie.outcome ? { ...tie, weight: least(v, 0) || 1 } : other,
                  ),
                )
              }
              sx={{ width: 130 }}
            />
          ))}
        </Box>
      )}
    </>
  );
}
