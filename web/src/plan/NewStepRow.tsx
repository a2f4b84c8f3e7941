import { Box, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { StepKind } from '../api/client';
import { kinds } from '../kinds/rooms';
import { keysInField } from '../ui/useKeys';
import { addNamed, NewRow } from './NewRow';

/**
 * A step as it is named where it will stand. Enter adds it and goes on with the next one, the
 * arrows choose its kind, Escape or an empty name ends.
 */
export function NewStepRow({
  place,
  added,
  name,
  setName,
  onAdd,
  onEnd,
}: {
  /** What changes when the row has moved on. */
  place: string;
  /** The one that was added last. */
  added: string;
  /** What is typed; the row can go to another place with it. */
  name: string;
  setName: (next: string | ((now: string) => string)) => void;
  onAdd: (kind: StepKind, name: string, failed: () => void) => void;
  onEnd: () => void;
}) {
  const t = useTranslations();
  const [kind, setKind] = useState<StepKind>(kinds[0] as StepKind);
  const field = useRef<HTMLInputElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a row that has moved lost the focus
  useEffect(() => field.current?.focus(), [place]);
  const turn = (by: number) =>
    setKind(kinds[(kinds.indexOf(kind) + by + kinds.length) % kinds.length] as StepKind);
  const add = () => addNamed(name, setName, (wanted, failed) => onAdd(kind, wanted, failed), onEnd);
  const keys = keysInField({
    ArrowDown: () => turn(1),
    ArrowUp: () => turn(-1),
    Enter: add,
    Escape: onEnd,
  });
  return (
    <NewRow added={added} inList>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <TextField
          label={t('plan.newName')}
          value={name}
          inputRef={field}
          onChange={(e) => setName(e.target.value)}
          onKeyDown={keys}
          sx={{ flex: '1 1 220px' }}
          slotProps={{ htmlInput: { maxLength: 200, 'aria-describedby': 'new-step-keys' } }}
        />
        <ToggleButtonGroup
          exclusive
          size="small"
          value={kind}
          onChange={(_, next: StepKind | null) => {
            if (next) setKind(next);
            field.current?.focus();
          }}
          aria-label={t('plan.kindQuestion')}
          sx={{ flexWrap: 'wrap' }}
        >
          {kinds.map((k) => (
            <ToggleButton key={k} value={k}>
              {t(`kind.${k}.name`)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
      <Typography variant="caption" color="textSecondary" id="new-step-keys" component="p">
        {t('plan.newStepKeys', { kind: t(`kind.${kind}.name`) })}
      </Typography>
    </NewRow>
  );
}
