import { Checkbox, FormControlLabel, FormGroup } from '@mui/material';
import type { AskProps } from '../room';
import { ShownWords } from '../ShownWords';

export function Ask({ part, labelledBy, given, answer }: AskProps<'several'>) {
  const chosen = given?.choices ?? [];
  const choose = (id: string, on: boolean) => {
    const choices = on ? [...chosen, id] : chosen.filter((c) => c !== id);
    answer(choices.length > 0 ? { is: 'several', choices } : undefined);
  };
  return (
    <FormGroup role="group" aria-labelledby={labelledBy}>
      {part.choices.map((c) => (
        <FormControlLabel
          key={c.id}
          control={
            <Checkbox
              size="small"
              checked={chosen.includes(c.id)}
              onChange={(_, on) => choose(c.id, on)}
            />
          }
          label={<ShownWords of={c} />}
        />
      ))}
    </FormGroup>
  );
}
