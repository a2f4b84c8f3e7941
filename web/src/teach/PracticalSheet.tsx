import { Box, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import type { PracticalLearner, PracticalSheet as Sheet } from '../api/schema';
import { useCourse } from '../frame/course';
import { Empty, Loaded, Section } from '../ui/Panel';
import { Prose } from '../ui/Prose';
import { PracticalLine } from './PracticalLine';
import { SignOffForm } from './SignOffForm';
import { useSignOffs } from './signOffs';

/** Those who can be signed off come first, those who are come last. */
const rank = (l: PracticalLearner) => (l.open ? 0 : l.state === 'DONE' ? 2 : 1);

/** One practical: whom it is for, who of them did it, and what is said of those who are ticked. */
export function PracticalSheet({ step }: { step: number }) {
  const course = useCourse();
  const sheet = useQuery(queries.practical(course.id, step));
  return <Loaded query={sheet}>{(data) => <Learners sheet={data} />}</Loaded>;
}

function Learners({ sheet }: { sheet: Sheet }) {
  const t = useTranslations();
  const course = useCourse();
  const groups = useQuery(queries.groups(course.id)).data ?? [];
  const { waiting } = useSignOffs(course.id);
  const [group, setGroup] = useState(0);
  const [find, setFind] = useState('');
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const unsent = new Set(waiting.filter((s) => s.step === sheet.step).map((s) => s.enrolment));
  const shown = sheet.learners
    .filter(
      (l) =>
        (group === 0 || l.groups.includes(group)) &&
        l.name.toLowerCase().includes(find.trim().toLowerCase()),
    )
    .toSorted((a, b) => rank(a) - rank(b));
  const may = (l: PracticalLearner) => l.open && !unsent.has(l.enrolment);
  const chosen = sheet.learners.filter((l) => ticked.has(l.enrolment) && may(l));
  const tick = (l: PracticalLearner) => {
    const next = new Set(ticked);
    if (!next.delete(l.enrolment)) next.add(l.enrolment);
    setTicked(next);
  };
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 3,
        alignItems: 'start',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 360px' },
        maxWidth: 1080,
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="body2" color="textSecondary">
          {sheet.module}
        </Typography>
        <Typography variant="h1" component="h2" sx={{ mb: 1.5 }}>
          {sheet.name}
        </Typography>
        <Box sx={{ display: 'flex', gap: 1, mb: 1.5, flexWrap: 'wrap' }}>
          {groups.length > 0 && (
            <TextField
              select
              label={t('teach.group')}
              value={group}
              onChange={(e) => setGroup(Number(e.target.value))}
              sx={{ width: 180 }}
            >
              <MenuItem value={0}>{t('teach.everybody')}</MenuItem>
              {groups.map((g) => (
                <MenuItem key={g.id} value={g.id}>
                  {g.name}
                </MenuItem>
              ))}
            </TextField>
          )}
          <TextField
            type="search"
            label={t('teach.findLearner')}
            value={find}
            onChange={(e) => setFind(e.target.value)}
            sx={{ width: 200 }}
          />
        </Box>
        <Box sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderRadius: 1 }}>
          {shown.map((l) => (
            <PracticalLine
              key={l.enrolment}
              sheet={sheet}
              learner={l}
              unsent={unsent.has(l.enrolment)}
              ticked={ticked.has(l.enrolment) && may(l)}
              {...(may(l) && { onTick: () => tick(l) })}
            />
          ))}
          {shown.length === 0 && <Empty title={t('teach.nobodyHere')} />}
        </Box>
        {sheet.task && (
          <Section title={t('teach.task')}>
            <Prose html={sheet.task} />
          </Section>
        )}
      </Box>
      <SignOffForm sheet={sheet} chosen={chosen} onDone={() => setTicked(new Set())} />
    </Box>
  );
}
