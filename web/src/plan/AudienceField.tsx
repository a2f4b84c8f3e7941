import { Autocomplete, TextField } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import type { Design } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { offered } from '../ui/options';

interface Option {
  is: 'group' | 'learner';
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

/** For whom a step exists: groups, learners by name or both, found by typing; else everybody. */
export function AudienceField({ design, audience, onChange }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const roster = useQuery(queries.roster(course.id));
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
    return options.find((o) => o.is === is && o.id === id) ?? { is, id, name: '…' };
  }
  return (
    <Autocomplete
      multiple
      size="small"
      options={options}
      filterOptions={offer}
      value={chosen}
      groupBy={(o) => t(o.is === 'group' ? 'plan.audienceGroups' : 'plan.audienceLearners')}
      getOptionLabel={(o) => o.name}
      getOptionKey={(o) => `${o.is} ${o.id}`}
      isOptionEqualToValue={(a, b) => a.is === b.is && a.id === b.id}
      limitTags={6}
      onChange={(_, now) => onChange({ groups: ids(now, 'group'), people: ids(now, 'learner') })}
      renderInput={(params) => (
        <TextField
          {...params}
          label={t('plan.forWhom')}
          placeholder={chosen.length === 0 ? t('plan.everyone') : ''}
        />
      )}
    />
  );
}
