import { Box, FormHelperText, IconButton, MenuItem, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Allowance, Design, DesignStep } from '../api/client';
import { useOwn } from '../kinds/shared/useOwn';
import { FieldGroup } from '../ui/FieldGroup';
import { fromLocalInput, least, toLocalInput } from '../ui/format';
import { SavedField } from '../ui/SavedField';
import { SavedWhen } from '../ui/when/SavedWhen';

const MOST_MINUTES = 600;
const MOST_ATTEMPTS = 20;

interface Props {
  design: Design;
  step: DesignStep;
  onChange: (allowances: Allowance[]) => void;
}

/** What groups have beyond everybody else: a later date, and at a quiz more time and attempts. */
export function AllowanceFields({ design, step, onChange }: Props) {
  const t = useTranslations();
  const [all, setOwn] = useOwn(step.allowances);
  const save = (next: Allowance[]) => {
    setOwn(next);
    onChange(next);
  };
  const edit = (group: number, change: Partial<Allowance>) =>
    save(all.map((a) => (a.group === group ? { ...a, ...change } : a)));
  const left = design.groups.filter((g) => !all.some((a) => a.group === g.id));
  if (design.groups.length === 0 && all.length === 0) return null;
  return (
    <FieldGroup title={t('plan.allowances')}>
      {all.map((a) => {
        const name = design.groups.find((g) => g.id === a.group)?.name ?? '…';
        return (
          <Box
            key={a.group}
            component="section"
            aria-label={name}
            sx={{ display: 'grid', gap: 1.5 }}
          >
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <Typography sx={{ fontWeight: 700, flex: 1, minWidth: 0 }}>{name}</Typography>
              <IconButton
                size="small"
                aria-label={t('plan.removeAllowance', { name })}
                onClick={() => save(all.filter((other) => other.group !== a.group))}
              >
                ×
              </IconButton>
            </Box>
            {step.kind === 'QUIZ' && (
              <Box sx={{ display: 'flex', gap: 1 }}>
                <SavedField
                  label={t('plan.moreMinutes')}
                  type="number"
                  value={`${a.minutes}`}
                  onSave={(v) =>
                    edit(a.group, { minutes: Math.min(MOST_MINUTES, Math.round(least(v, 0))) })
                  }
                />
                {step.attempts > 0 && (
                  <SavedField
                    label={t('plan.moreAttempts')}
                    type="number"
                    value={`${a.attempts}`}
                    onSave={(v) =>
                      edit(a.group, { attempts: Math.min(MOST_ATTEMPTS, Math.round(least(v, 0))) })
                    }
                  />
                )}
              </Box>
            )}
            <SavedWhen
              label={t('plan.dueForThem')}
              kind="moment"
              value={toLocalInput(a.due)}
              onSave={(value) => {
                const { due: _, ...rest } = a;
                const due = fromLocalInput(value);
                save(
                  all.map((other) =>
                    other.group === a.group ? { ...rest, ...(due && { due }) } : other,
                  ),
                );
              }}
            />
          </Box>
        );
      })}
      {left.length > 0 && (
        <TextField
          select
          label={t('plan.addAllowance')}
          value=""
          onChange={(e) =>
            save([...all, { group: Number(e.target.value), minutes: 0, attempts: 0 }])
          }
        >
          {left.map((g) => (
            <MenuItem key={g.id} value={g.id}>
              {g.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {all.length > 0 && <FormHelperText>{t('plan.allowancesHint')}</FormHelperText>}
    </FieldGroup>
  );
}
