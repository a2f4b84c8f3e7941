import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Progress as ProgressData } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { WriteDialog } from '../reach/WriteDialog';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { TickedBar } from '../ui/TickedBar';
import { asking, useAsked } from '../ui/useAsked';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { arrange, SORTS, type Sort } from './arrange';
import { BeadInspector } from './BeadInspector';
import { EnrolDialog } from './EnrolDialog';
import { ExceptionDialog } from './ExceptionDialog';
import { LearnerInspector } from './LearnerInspector';
import { LearnerSteps } from './LearnerSteps';
import { LearnerTable } from './LearnerTable';
import { Legend } from './Legend';
import { liveProgress } from './live';
import { ReportActions } from './ReportActions';

export default function Progress() {
  const course = useCourse();
  useLive(course.id, [], liveProgress);
  const progress = useQuery(queries.progress(course.id));
  const [enrolling, setEnrolling] = useState(false);
  const enrol = () => setEnrolling(true);
  useAsked({ enrol });
  return (
    <>
      <Loaded query={progress}>{(data) => <Table data={data} onEnrol={enrol} />}</Loaded>
      {/* It says what came of the first enrolment too, when the view is not empty any more. */}
      {enrolling && <EnrolDialog onClose={() => setEnrolling(false)} />}
    </>
  );
}

function Table({ data, onEnrol }: { data: ProgressData; onEnrol: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const [sel, select] = useSelection();
  const [sort, setSort] = useState<Sort>('flagged');
  const [group, setGroup] = useState(0);
  const [flagged, setFlagged] = useState(false);
  const [find, setFind] = useState('');
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [writing, setWriting] = useState<number[] | null>(null);
  const [excepting, setExcepting] = useState(false);
  const designs = course.role === 'DESIGNER';
  const enrol = designs && data.version > 0 && (
    <Button variant="outlined" onClick={onEnrol}>
      {t('watch.enrol')}
    </Button>
  );
  const publish = designs && data.version === 0 && (
    <Button
      variant="contained"
      component={Link}
      to={`/c/${course.id}/plan/route`}
      state={asking('publish')}
    >
      {t('doing.publish')}
    </Button>
  );
  const rows = useMemo(
    () => arrange(data.learners, { sort, group, flagged, find }),
    [data.learners, sort, group, flagged, find],
  );
  const [enrolment, step] = (sel ?? '').split('-').map(Number);
  const flaggedCount = data.learners.filter((l) => l.flags.length > 0).length;
  const row = data.learners.find((l) => l.enrolment === enrolment);
  const inspector = !enrolment ? null : step ? (
    <BeadInspector enrolment={enrolment} step={step} onLearner={() => select(`${enrolment}`)} />
  ) : (
    <LearnerInspector
      enrolment={enrolment}
      onWrite={() => setWriting([enrolment])}
      steps={
        row && <LearnerSteps data={data} row={row} onStep={(id) => select(`${enrolment}-${id}`)} />
      }
    />
  );
  if (data.learners.length === 0)
    return (
      <WithInspector inspector={null} onClose={() => select(null)}>
        <Empty title={t('watch.empty')} hint={t('watch.emptyHint')} action={publish || enrol} />
      </WithInspector>
    );
  return (
    <WithInspector inspector={inspector} onClose={() => select(null)}>
      <Actions>
        {enrol}
        <ReportActions report="progress" />
      </Actions>
      <Box
        sx={{
          display: 'flex',
          gap: 1,
          alignItems: 'center',
          flexWrap: 'wrap',
          mb: 1,
          '@media print': { display: 'none' },
        }}
      >
        <Typography sx={{ fontWeight: 700, mr: 0.5 }} role="status">
          {t('watch.learners', { count: rows.length })}
        </Typography>
        <TextField
          select
          value={sort}
          onChange={(e) => setSort(e.target.value as Sort)}
          slotProps={{ htmlInput: { 'aria-label': t('watch.sortLabel') } }}
          sx={{ width: 165, bgcolor: 'tone.panel' }}
        >
          {SORTS.map((s) => (
            <MenuItem key={s} value={s}>
              {t(`watch.sort.${s}`)}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          value={group}
          onChange={(e) => setGroup(Number(e.target.value))}
          slotProps={{ htmlInput: { 'aria-label': t('watch.group') } }}
          sx={{ width: 150, bgcolor: 'tone.panel' }}
        >
          <MenuItem value={0}>
            {t('watch.group')}: {t('watch.allGroups')}
          </MenuItem>
          {data.groups.map((g) => (
            <MenuItem key={g.id} value={g.id}>
              {g.name}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant={flagged ? 'contained' : 'outlined'}
          color={flagged ? 'secondary' : 'primary'}
          aria-pressed={flagged}
          onClick={() => setFlagged(!flagged)}
        >
          {t('watch.onlyFlagged', { count: flaggedCount })}
        </Button>
        <TextField
          type="search"
          placeholder={t('watch.find')}
          value={find}
          onChange={(e) => setFind(e.target.value)}
          slotProps={{ htmlInput: { 'aria-label': t('watch.find') } }}
          sx={{ width: 150, bgcolor: 'tone.panel' }}
        />
      </Box>
      {rows.length === 0 ? (
        <Empty
          title={t('watch.noMatch')}
          action={
            <Button
              variant="outlined"
              onClick={() => {
                setGroup(0);
                setFlagged(false);
                setFind('');
              }}
            >
              {t('watch.clear')}
            </Button>
          }
        />
      ) : (
        <LearnerTable
          data={data}
          rows={rows}
          sel={sel}
          onSelect={select}
          ticked={ticked}
          onTick={setTicked}
        />
      )}
      <Legend />
      <TickedBar count={ticked.size} onNone={() => setTicked(new Set())}>
        <Button variant="outlined" onClick={() => setExcepting(true)}>
          {t('watch.exception')} …
        </Button>
        <Button variant="contained" onClick={() => setWriting([...ticked])}>
          {t('watch.write', { count: ticked.size })}
        </Button>
      </TickedBar>
      {excepting && (
        <ExceptionDialog
          learners={data.learners.filter((l) => ticked.has(l.enrolment))}
          steps={data.steps.filter((s) => s.published)}
          onClose={() => setExcepting(false)}
          onDone={() => setTicked(new Set())}
        />
      )}
      {writing && (
        <WriteDialog
          learners={data.learners.filter((l) => writing.includes(l.enrolment))}
          onClose={() => setWriting(null)}
          onSent={() => setTicked(new Set())}
        />
      )}
    </WithInspector>
  );
}
