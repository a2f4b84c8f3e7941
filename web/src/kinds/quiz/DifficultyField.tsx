import { MenuItem, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { BankQuestion } from '../../api/client';

type Difficulty = NonNullable<BankQuestion['difficulty']>;

const DIFFICULTIES: Difficulty[] = ['EASY', 'MIDDLING', 'HARD'];

/** How hard a question is, or nothing. */
export function DifficultyField({
  value,
  none,
  onChange,
}: {
  value: Difficulty | undefined;
  /** What it says where nothing is chosen. */
  none: string;
  onChange: (difficulty: Difficulty | undefined) => void;
}) {
  const t = useTranslations();
  return (
    <TextField
      select
      label={t('bank.howHard')}
      value={value ?? ''}
      onChange={(e) => onChange((e.target.value || undefined) as Difficulty | undefined)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">{none}</MenuItem>
      {DIFFICULTIES.map((d) => (
        <MenuItem key={d} value={d}>
          {t(`bank.difficulty.${d}`)}
        </MenuItem>
      ))}
    </TextField>
  );
}
