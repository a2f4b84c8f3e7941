import { TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import { newId } from '../../../../ui/ids';
import { Lines } from '../Lines';
import type { WriteProps } from '../room';

/** Beginnings with what belongs to each, and ends that belong to none. */
export function Write({ part, edit }: WriteProps<'matching'>) {
  const t = useTranslations();
  const { pairs, more } = part;
  const set = (id: string, words: Partial<(typeof pairs)[number]>) =>
    edit({ ...part, pairs: pairs.map((p) => (p.id === id ? { ...p, ...words } : p)) });
  const field = (pair: (typeof pairs)[number], n: number, which: 'begins' | 'ends') => (
    <TextField
      placeholder={t(`plan.${which}`, { n: n + 1 })}
      value={pair[which]}
      error={!pair[which].trim()}
      onChange={(e) => set(pair.id, { [which]: e.target.value })}
      slotProps={{ htmlInput: { 'aria-label': t(`plan.${which}`, { n: n + 1 }) } }}
    />
  );
  return (
    <>
      <Lines
        least={2}
        add={t('plan.addPair')}
        onAdd={() => edit({ ...part, pairs: [...pairs, { id: newId(), begins: '', ends: '' }] })}
        onRemove={(id) => edit({ ...part, pairs: pairs.filter((p) => p.id !== id) })}
        lines={pairs.map((p, n) => ({
          id: p.id,
          name: p.begins,
          line: (
            <>
              {field(p, n, 'begins')}
              {field(p, n, 'ends')}
            </>
          ),
        }))}
      />
      <TextField
        multiline
        label={t('plan.moreEnds')}
        value={more.join('\n')}
        onChange={(e) => {
          const lines = e.target.value.split('\n');
          edit({ ...part, more: e.target.value === '' ? [] : lines });
        }}
        onBlur={() => edit({ ...part, more: more.map((m) => m.trim()).filter(Boolean) })}
        helperText={t('plan.moreEndsHint')}
      />
    </>
  );
}
