import { Radio } from '@mui/material';
import { useTranslations } from 'use-intl';
import { newId } from '../../../../ui/ids';
import { ChoiceLine } from '../ChoiceLine';
import { Lines } from '../Lines';
import type { WriteProps } from '../room';

/** Some choices, of which one is right. */
export function Write({ part, edit }: WriteProps<'choice'>) {
  const t = useTranslations();
  const { choices, right } = part;
  return (
    <Lines
      least={2}
      add={t('plan.addChoice')}
      onAdd={() => edit({ ...part, choices: [...choices, { id: newId(), text: '' }] })}
      onRemove={(id) => {
        const left = choices.filter((c) => c.id !== id);
        edit({ ...part, choices: left, right: right === id ? (left[0]?.id ?? '') : right });
      }}
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
              <Radio
                size="small"
                checked={right === c.id}
                onChange={() => edit({ ...part, right: c.id })}
                slotProps={{ input: { 'aria-label': `${t('plan.right')}: ${c.text || n + 1}` } }}
              />
            }
          />
        ),
      }))}
    />
  );
}
