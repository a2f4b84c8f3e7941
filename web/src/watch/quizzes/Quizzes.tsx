import { Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { ListAndMain, ListLine } from '../../ui/ListAndMain';
import { Empty, EmptyView, Loaded } from '../../ui/Panel';
import { useSelection } from '../../ui/useSelection';
import { FiguresOfQuiz } from './FiguresOfQuiz';

/** How the quizzes of a course went. */
export default function Quizzes() {
  const t = useTranslations();
  const course = useCourse();
  const [sel, select] = useSelection();
  const quizzes = useQuery(queries.quizzes(course.id));
  return (
    <Loaded query={quizzes}>
      {(list) => {
        const chosen = list.find((q) => `${q.step}` === sel) ?? list.find((q) => q.attempts > 0);
        return list.length === 0 ? (
          <EmptyView title={t('figures.empty')} hint={t('figures.emptyHint')} />
        ) : (
          <ListAndMain
            label={t('frame.quizzes')}
            width={260}
            onStep={(by) => {
              const next = list[list.findIndex((q) => q.step === chosen?.step) + by];
              if (next) select(`${next.step}`);
            }}
            list={list.map((q) => (
              <ListLine
                key={q.step}
                chosen={q.step === chosen?.step}
                onSelect={() => select(`${q.step}`)}
              >
                <Box sx={{ flex: 1, minWidth: 0 }}>
                  <Typography sx={{ fontWeight: 700 }}>{q.name}</Typography>
                  <Typography variant="body2" color="textSecondary">
                    {t('figures.attemptsBy', { attempts: q.attempts, learners: q.learners })}
                  </Typography>
                </Box>
              </ListLine>
            ))}
          >
            {chosen ? (
              <FiguresOfQuiz key={chosen.step} step={chosen.step} />
            ) : (
              <Empty title={t('figures.nothingYet')} />
            )}
          </ListAndMain>
        );
      }}
    </Loaded>
  );
}
