import { Box, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError, type LearnerGroup } from '../api/client';
import { ListLine } from '../ui/ListAndMain';
import { keysInField } from '../ui/useKeys';
import type { useGroups } from './useGroups';

interface Props {
  groups: LearnerGroup[];
  all: number;
  chosen: number | null;
  onSelect: (group: number | null) => void;
  onMade: (group: number) => void;
  /** Makes groups, of those who are ticked; nothing where one may only look. */
  make: ReturnType<typeof useGroups>['make'] | null;
  ticked: ReadonlySet<number>;
}

/** Everybody, then the groups, then a line in which another one is named. */
export function GroupList({ groups, all, chosen, onSelect, onMade, make, ticked }: Props) {
  const t = useTranslations();
  return (
    <>
      <Line
        name={t('roster.everybody')}
        count={all}
        chosen={chosen === null}
        onSelect={() => onSelect(null)}
      />
      {groups.map((g) => (
        <Line
          key={g.id}
          name={g.name}
          count={g.members}
          chosen={g.id === chosen}
          onSelect={() => onSelect(g.id)}
        />
      ))}
      {make && <NewGroup make={make} ticked={ticked} onMade={onMade} />}
    </>
  );
}

function Line({
  name,
  count,
  chosen,
  onSelect,
}: {
  name: string;
  count: number;
  chosen: boolean;
  onSelect: () => void;
}) {
  return (
    <ListLine chosen={chosen} onSelect={onSelect}>
      <Typography component="span" noWrap title={name} sx={{ flex: 1, fontWeight: 700 }}>
        {name}
      </Typography>
      <Typography component="span" color="textSecondary">
        {count}
      </Typography>
    </ListLine>
  );
}

function NewGroup({
  make,
  ticked,
  onMade,
}: {
  make: NonNullable<Props['make']>;
  ticked: ReadonlySet<number>;
  onMade: (group: number) => void;
}) {
  const t = useTranslations();
  const [name, setName] = useState('');
  const wrong = make.error instanceof ApiError ? make.error.problem.fields?.name : undefined;
  const add = () => {
    if (!name.trim() || make.isPending) return;
    make.mutate(
      { name, learners: [...ticked] },
      {
        onSuccess: (made) => {
          setName('');
          onMade(made.id);
        },
      },
    );
  };
  return (
    <Box sx={{ p: 1.5 }}>
      <TextField
        fullWidth
        label={t('roster.newGroup')}
        value={name}
        onChange={(e) => {
          setName(e.target.value);
          make.reset();
        }}
        onKeyDown={keysInField({ Enter: add, Escape: () => setName('') })}
        error={make.isError}
        helperText={
          wrong ?? make.error?.message ?? (name && t('roster.newGroupHint', { count: ticked.size }))
        }
      />
    </Box>
  );
}
