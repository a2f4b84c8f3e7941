import { FormControlLabel, Radio, RadioGroup } from '@mui/material';
import type { AskProps } from '../room';
import { ShownWords } from '../ShownWords';

export function Ask({ part, labelledBy, given, answer }: AskProps<'choice'>) {
  return (
    <RadioGroup
      aria-labelledby={labelledBy}
      value={given?.choice ?? ''}
      onChange={(_, choice) => answer({ is: 'choice', choice })}
    >
      {part.choices.map((c) => (
        <FormControlLabel
          key={c.id}
          value={c.id}
          control={<Radio size="small" />}
          label={<ShownWords of={c} />}
        />
      ))}
    </RadioGroup>
  );
}
