import { Box, Dialog, InputBase, Typography } from '@mui/material';
import { useDeferredValue, useId, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Me, MyCourse } from '../../api/client';
import { stored } from '../../ui/stored';
import { keysInField } from '../../ui/useKeys';
import { found, keyOf, lately, type Thing } from './found';
import { useThings } from './useThings';

/** What somebody took lately in a course, by its key. */
const LATELY = stored<string[]>([]);

interface Props {
  me: Me;
  course: MyCourse | undefined;
  /** What the frame itself can do. */
  acts: Thing[];
  /** What was typed before it was there. */
  early: string;
  onClose: () => void;
}

/** Finds people, steps, outcomes, badges, views and acts by typing, and goes there or does it. */
export default function FindDialog({ me, course, acts, early, onClose }: Props) {
  const t = useTranslations();
  const list = useId();
  const all = useThings(me, course, acts);
  const [typed, setTyped] = useState(early);
  const [at, setAt] = useState(0);
  const name = `found-${me.person?.id ?? 0}-${course?.id ?? 0}`;
  const taken = LATELY.use(name);
  const shown = found(all, useDeferredValue(typed), taken);
  const chosen = shown[Math.min(at, shown.length - 1)];
  const option = (thing: Thing) => `${list}-${keyOf(thing)}`;
  const move = (by: number) => {
    if (shown.length === 0) return;
    const next = (Math.min(at, shown.length - 1) + by + shown.length) % shown.length;
    setAt(next);
    const thing = shown[next];
    if (thing) document.getElementById(option(thing))?.scrollIntoView?.({ block: 'nearest' });
  };
  const take = (thing: Thing | undefined) => {
    if (!thing) return;
    const key = thing.group === 'lately' ? thing.id : keyOf(thing);
    try {
      LATELY.set(name, lately(taken, key));
    } catch {
      // no room in this browser: then nothing is known of what was taken lately
    }
    onClose();
    thing.go();
  };
  return (
    <Dialog
      open
      fullWidth
      maxWidth="sm"
      onClose={onClose}
      aria-label={t('find.title')}
      slotProps={{
        container: { sx: { alignItems: 'flex-start' } },
        paper: { sx: { mt: { xs: 1, sm: 10 } } },
      }}
    >
      <InputBase
        autoFocus
        fullWidth
        value={typed}
        placeholder={t('find.hint')}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
        onKeyDown={keysInField({
          ArrowDown: () => move(1),
          ArrowUp: () => move(-1),
          Enter: () => take(chosen),
        })}
        inputProps={{
          role: 'combobox',
          'aria-label': t('find.title'),
          'aria-expanded': shown.length > 0,
          'aria-controls': list,
          'aria-activedescendant': chosen ? option(chosen) : undefined,
          'aria-autocomplete': 'list',
          autoComplete: 'off',
        }}
        sx={{ px: 2, py: 1.25, fontSize: 17, borderBottom: 1, borderColor: 'divider' }}
      />
      <Box
        id={list}
        role="listbox"
        aria-label={t('find.found')}
        sx={{ overflowY: 'auto', maxHeight: 'min(60dvh, 520px)', py: 0.5 }}
      >
        {shown.map((thing, n) => (
          <Line
            key={keyOf(thing)}
            id={option(thing)}
            thing={thing}
            begins={shown[n - 1]?.group !== thing.group}
            on={thing === chosen}
            onPoint={() => setAt(n)}
            onTake={() => take(thing)}
          />
        ))}
      </Box>
      <Typography
        role="status"
        color="textSecondary"
        sx={{ px: 2, py: shown.length === 0 ? 2 : 0, ...(shown.length > 0 && { fontSize: 0 }) }}
      >
        {shown.length === 0 ? t('find.nothing') : t('find.count', { count: shown.length })}
      </Typography>
    </Dialog>
  );
}

function Line({
  id,
  thing,
  begins,
  on,
  onPoint,
  onTake,
}: {
  id: string;
  thing: Thing;
  /** Whether a group of things begins with it. */
  begins: boolean;
  on: boolean;
  onPoint: () => void;
  onTake: () => void;
}) {
  const t = useTranslations();
  return (
    <Box
      id={id}
      role="option"
      tabIndex={-1}
      aria-selected={on}
      onMouseMove={onPoint}
      onClick={onTake}
      sx={{
        display: 'grid',
        gridTemplateColumns: '92px minmax(0, auto) minmax(0, 1fr)',
        columnGap: 1.25,
        alignItems: 'baseline',
        px: 2,
        py: 0.75,
        cursor: 'pointer',
        bgcolor: on ? 'tone.indigoTint' : 'transparent',
        outline: on ? '2px solid transparent' : 'none',
      }}
    >
      <Typography component="span" variant="body2" color="textSecondary">
        {begins && t(`find.group.${thing.group}`)}
      </Typography>
      <Typography component="span" noWrap sx={{ fontWeight: 700 }}>
        {thing.name}
      </Typography>
      <Typography component="span" variant="body2" color="textSecondary" noWrap>
        {thing.more}
      </Typography>
    </Box>
  );
}
