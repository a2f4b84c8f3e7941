import { Autocomplete, TextField } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { useGroups } from '../roster/useGroups';
import { offered } from '../ui/options';

interface Option {
  /** A new one is a group that is made when it is chosen. */
  is: 'group' | 'learner' | 'new';
  id: number;
  name: string;
}

const offer = offered<Option>();

interface Audience {
  groups: number[];
  people: number[];
}

interface Props {
  design: Design;
  audience: Audience;
  onChange: (audience: Audience) => void;
}

const ids = (options: Option[], is: Option['is']) =>
  options.filter((o) => o.is === is).map((o) => o.id);

/**
 * For whom a step exists: groups, learners by name or both, found by typing; else everybody. A name
 * that no group has makes one, of the learners who are named so far.
 */
export function AudienceField({ design, audience, onChange }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const roster = useQuery(queries.roster(course.id));
  const { make } = useGroups();
  const [made, setMade] = useState<Option[]>([]);
  const learners = roster.data ?? [];
  const options: Option[] = [
    ...design.groups.map(({ id, name }) => ({ is: 'group' as const, id, name })),
    ...learners.map(({ person, name }) => ({ is: 'learner' as const, id: person, name })),
  ];
  const chosen = [
    ...audience.groups.map((id) => find('group', id)),
    ...audience.people.map((id) => find('learner', id)),
  ];
  function find(is: Option['is'], id: number): Option {
    return [...options, ...made].find((o) => o.is === is && o.id === id) ?? { is, id, name: '…' };
  }
  const choose = (now: Option[]) => {
    const next = { groups: ids(now, 'group'), people: ids(now, 'learner') };
    const named = now.find((o) => o.is === 'new');
    if (!named) {
      onChange(next);
      return;
    }
    const members = learners.filter((l) => next.people.includes(l.person));
    make.mutate(
      { name: named.name, learners: members.map((l) => l.enrolment) },
      {
        onSuccess: ({ id, name }) => {
          setMade((all) => [...all, { is: 'group', id, name }]);
          onChange({ groups: [...next.groups, id], people: [] });
        },
      },
    );
  };
  return (
    <Autocomplete
      multiple
      size="small"
      options={options}
      filterOptions={(all, state) => {
        const name = state.inputValue.trim();
        const there = options.some((o) => o.name.toLowerCase() === name.toLowerCase());
        const found = offer(all, state);
        return name && !there ? [...found, { is: 'new' as const, id: 0, name }] : found;
      }}
      value={chosen}
      groupBy={(o) => t(`plan.audience.${o.is}`)}
      getOptionLabel={(o) => o.name}
      getOptionKey={(o) => `${o.is} ${o.id}`}
      isOptionEqualToValue={(a, b) => a.is === b.is && a.id === b.id}
      renderOption={({ key, ...line }, o) => (
        <li key={key} {...line}>
          {o.is === 'new'
            ? t('plan.makeGroup', { name: o.name, count: audience.people.length })
            : o.name}
        </li>
      )}
      limitTags={6}
      loading={make.isPending}
      onChange={(_, now) => choose(now)}
      renderInput={(params) => (
        <TextField
          {...params}
          label={t('plan.forWhom')}
          placeholder={chosen.length === 0 ? t('plan.everyone') : ''}
          error={make.isError}
          helperText={make.error?.message}
        />
      )}
    />
  );
}
