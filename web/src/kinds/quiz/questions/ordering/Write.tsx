import { FormControlLabel, Switch, TextField } from '@mui/material';
import { useTranslations } from 'use-intl';
import { newId } from '../../../../ui/ids';
import { Lines } from '../Lines';
import { MoveButtons } from '../MoveButtons';
import type { WriteProps } from '../room';

/** Things in their right order. */
export function Write({ part, edit }: WriteProps<'ordering'>) {
  const t = useTranslations();
  const { things } = part;
  return (
    <>
      <Lines
        least={2}
        add={t('plan.addThing')}
        onAdd={() => edit({ ...part, things: [...things, { id: newId(), text: '' }] })}
        onRemove={(id) => edit({ ...part, things: things.filter((x) => x.id !== id) })}
        lines={things.map((thing, n) => ({
          id: thing.id,
          name: thing.text,
          line: (
            <>
              <MoveButtons
                things={things}
                at={n}
                name={thing.text || `${n + 1}`}
                onMove={(next) => edit({ ...part, things: next })}
              />
              <TextField
                placeholder={t('plan.thing', { n: n + 1 })}
                value={thing.text}
                error={!thing.text.trim()}
                onChange={(e) =>
                  edit({
                    ...part,
                    things: things.map((x) =>
                      x.id === thing.id ? { ...x, text: e.target.value } : x,
                    ),
                  })
                }
                slotProps={{ htmlInput: { 'aria-label': t('plan.thing', { n: n + 1 }) } }}
              />
            </>
          ),
        }))}
      />
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={part.inPart}
            onChange={(_, inPart) => edit({ ...part, inPart })}
          />
        }
        label={t('plan.neighboursCount')}
      />
    </>
  );
}
