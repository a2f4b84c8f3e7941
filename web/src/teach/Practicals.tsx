import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { ListAndMain, ListLine } from '../ui/ListAndMain';
import { EmptyView, Loaded } from '../ui/Panel';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { PracticalSheet } from './PracticalSheet';

/** Practicals, to be signed off at the bench for many learners at once. */
export default function Practicals() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['practicals']);
  const [sel, select] = useSelection();
  const practicals = useQuery(queries.practicals(course.id));
  return (
    <Loaded query={practicals}>
      {(all) => {
        const chosen =
          all.find((p) => `${p.step}` === sel) ?? all.find((p) => p.open > 0) ?? all[0];
        if (!chosen)
          return <EmptyView title={t('teach.noPracticals')} hint={t('teach.noPracticalsHint')} />;
        return (
          <ListAndMain
            label={t('frame.practicals')}
            width={260}
            onStep={(by) => {
              const next = all[all.indexOf(chosen) + by];
              if (next) select(`${next.step}`);
            }}
            list={all.map((p) => (
              <ListLine key={p.step} chosen={p === chosen} onSelect={() => select(`${p.step}`)}>
                <Box sx={{ minWidth: 0 }}>
                  <Typography sx={{ fontWeight: 700 }}>{p.name}</Typography>
                  <Typography variant="body2" color="textSecondary">
                    {t('teach.practicalCounts', { open: p.open, done: p.done })}
                  </Typography>
                </Box>
              </ListLine>
            ))}
          >
            <PracticalSheet key={chosen.step} step={chosen.step} />
          </ListAndMain>
        );
      }}
    </Loaded>
  );
}
