import { Box, Button, FormControlLabel, Link as MuiLink, Switch, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, body, type MyCourse } from '../api/client';
import { queries } from '../api/queries';
import type { AccountEvent, PersonEdit, PersonView } from '../api/schema';
import { moment } from '../ui/format';
import { Kicker, Loaded, Section } from '../ui/Panel';
import { SavedField } from '../ui/SavedField';
import { useFieldChange } from '../ui/useFieldChange';
import { useLine } from '../ui/useNames';
import { Entered } from './PeopleTable';
import { useHappened } from './useHappened';

/** One person: name, address and rights, the way in, their courses, and what happened lately. */
export function PersonInspector({
  id,
  onInvite,
}: {
  id: number;
  onInvite: (people: number[]) => void;
}) {
  const view = useQuery(queries.person(id));
  return (
    <Loaded query={view}>
      {(shown) => <Person key={id} shown={shown} onInvite={() => onInvite([id])} />}
    </Loaded>
  );
}

function Person({ shown, onInvite }: { shown: PersonView; onInvite: () => void }) {
  const t = useTranslations();
  const { person, courses, events } = shown;
  const change = useFieldChange({
    queryKey: queries.person(person.id).queryKey,
    stale: ['people'],
    send: (fields) =>
      body(
        api.PATCH('/api/people/{person}', {
          params: { path: { person: person.id } },
          body: fields,
        }),
      ),
  });
  const { fault } = change;
  const set = <F extends keyof PersonEdit>(field: F, value: PersonEdit[F]) =>
    change.set(field, person[field], value);
  return (
    <>
      <Kicker>{t('institution.person')}</Kicker>
      <Typography variant="h2" sx={{ pr: 4, overflowWrap: 'anywhere' }}>
        {person.name}
      </Typography>
      {change.failed && (
        <Typography role="alert" sx={{ color: 'tone.madder', mt: 1 }}>
          {change.failed}
        </Typography>
      )}
      <Box sx={{ display: 'grid', gap: 1.75, mt: 2 }}>
        <SavedField
          label={t('institution.name')}
          value={person.name}
          onSave={(name) => set('name', name)}
          {...fault('name')}
        />
        <SavedField
          label={t('session.email')}
          value={person.email}
          onSave={(email) => set('email', email)}
          {...fault('email')}
        />
        <FormControlLabel
          control={
            <Switch
              checked={person.administrator}
              disabled={change.isPending}
              onChange={(_, on) => set('administrator', on)}
            />
          }
          label={t('institution.administers')}
        />
        <FormControlLabel
          control={
            <Switch
              checked={person.administrator || person.makesCourses}
              disabled={change.isPending || person.administrator}
              onChange={(_, on) => set('makesCourses', on)}
            />
          }
          label={t('institution.makesCourses')}
        />
        <Typography variant="body2" color="textSecondary">
          {t('institution.changeHint')}
        </Typography>
      </Box>
      <Section title={t('institution.entered')}>
        <Typography component="div">
          <Entered person={person} />
        </Typography>
        <Button variant="outlined" onClick={onInvite} sx={{ mt: 1 }}>
          {t('institution.sendLink')}
        </Button>
      </Section>
      <Courses courses={courses} />
      <Section title={t('institution.lately')}>
        {events.map((e) => (
          <Event key={e.id} event={e} />
        ))}
        {events.length === 0 && (
          <Typography color="textSecondary">{t('institution.nothing')}</Typography>
        )}
      </Section>
    </>
  );
}

function Courses({ courses }: { courses: MyCourse[] }) {
  const t = useTranslations();
  const line = useLine();
  return (
    <Section title={t('institution.courses')}>
      {courses.map((c) => (
        <Box key={c.id} sx={{ py: 0.25 }}>
          <MuiLink component={Link} to={`/c/${c.id}`}>
            {c.name}
          </MuiLink>{' '}
          <Typography component="span" color="textSecondary">
            {line(
              c.cohort,
              c.role && t(`frame.${c.role.toLowerCase()}`),
              c.learner && t('frame.learner'),
            )}
          </Typography>
        </Box>
      ))}
      {courses.length === 0 && (
        <Typography color="textSecondary">{t('institution.noCourses')}</Typography>
      )}
    </Section>
  );
}

function Event({ event }: { event: AccountEvent }) {
  const t = useTranslations();
  const line = useLine();
  const happened = useHappened();
  return (
    <Box sx={{ py: 0.25 }}>
      <div>{happened(event)}</div>
      <Typography variant="caption" color="textSecondary">
        {line(
          moment(event.at),
          event.by && t('accounts.doneBy', { name: event.by }),
          event.address,
        )}
      </Typography>
    </Box>
  );
}
