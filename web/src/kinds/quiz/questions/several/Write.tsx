import { Checkbox, FormControlLabel, Switch, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import { newId } from '../../../../ui/ids';
import { ChoiceLine } from '../ChoiceLine';
import { Lines } from '../Lines';
import type { WriteProps } from '../room';
import { evenly } from './shares';

/** Some choices, of which several may be right, each with its share of the points. */
export function Write({ part, edit }: WriteProps<'several'>) {
  const t = useTranslations();
  const { choices } = part;
  const takesAway = choices.some((c) => c.share < 0);
  const set = (id: string, more: Partial<(typeof choices)[number]>) =>
    choices.map((c) => (c.id === id ? { ...c, ...more } : c));
  return (
    <>
      <Lines
        least={2}
        add={t('plan.addChoice')}
        onAdd={() => {
          const wrong = { id: newId(), text: '', share: 0 };
          edit({ ...part, choices: evenly([...choices, wrong], takesAway) });
        }}
        onRemove={(id) =>
          edit({
            ...part,
            choices: evenly(
              choices.filter((c) => c.id !== id),
              takesAway,
            ),
          })
        }
        lines={choices.map((c, n) => ({
          id: c.id,
          name: c.text,
          line: (
            <ChoiceLine
              choice={c}
              n={n}
              edit={(next) =>
                edit({ ...part, choices: choices.map((x) => (x.id === c.id ? next : x)) })
              }
              before={
                <Checkbox
                  size="small"
                  checked={c.share > 0}
                  onChange={(_, right) =>
                    edit({
                      ...part,
                      choices: evenly(set(c.id, { share: right ? 1 : 0 }), takesAway),
                    })
                  }
                  slotProps={{ input: { 'aria-label': `${t('plan.right')}: ${c.text || n + 1}` } }}
                />
              }
              after={
                <TextField
                  type="number"
                  value={Math.round(c.share * 100)}
                  onChange={(e) => {
                    const share = Math.max(-100, Math.min(100, Number(e.target.value))) / 100;
                    edit({ ...part, choices: set(c.id, { share }) });
                  }}
                  slotProps={{
                    htmlInput: { 'aria-label': t('plan.shareOf', { n: n + 1 }) },
                    input: { endAdornment: '%' },
                  }}
                  sx={{ width: 84, flex: 'none' }}
                />
              }
            />
          ),
        }))}
      />
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={takesAway}
            onChange={(_, on) => edit({ ...part, choices: evenly(choices, on) })}
          />
        }
        label={t('plan.wrongTakesAway')}
      />
    </>
  );
}
