import { FormControlLabel, Radio, RadioGroup } from '@mui/material';
import { useTranslations } from 'use-intl';

interface Props {
  label?: string;
  labelledBy?: string;
  value: boolean | undefined;
  onChange: (value: boolean) => void;
}

/** True or false. */
export function Either({ label, labelledBy, value, onChange }: Props) {
  const t = useTranslations();
  return (
    <RadioGroup
      row
      {...(label && { 'aria-label': label })}
      {...(labelledBy && { 'aria-labelledby': labelledBy })}
      value={value ?? ''}
      onChange={(_, said) => onChange(said === 'true')}
    >
      {[true, false].map((is) => (
        <FormControlLabel
          key={`${is}`}
          value={is}
          control={<Radio size="small" />}
          label={t(`learn.said.${is}`)}
        />
      ))}
    </RadioGroup>
  );
}
