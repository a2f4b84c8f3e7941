import { MenuItem } from '@mui/material';
import type { FieldPath, FieldValues } from 'react-hook-form';
import { useTranslations } from 'use-intl';
import type { Calendar } from '../api/client';
import { Field } from '../ui/FormDialog';
import type { Fields } from '../ui/useFields';

/** What stands in the field where no group is chosen. */
export const EVERYONE = 0;

/** For whom something is: one group, or everyone. */
export function GroupField<T extends FieldValues, Out extends FieldValues>({
  groups,
  ...field
}: {
  of: Fields<T, Out>;
  name: FieldPath<T>;
  groups: Calendar['groups'];
}) {
  const t = useTranslations();
  return (
    <Field {...field} select label={t('plan.forWhom')}>
      <MenuItem value={EVERYONE}>{t('plan.everyone')}</MenuItem>
      {groups.map((g) => (
        <MenuItem key={g.id} value={g.id}>
          {g.name}
        </MenuItem>
      ))}
    </Field>
  );
}
