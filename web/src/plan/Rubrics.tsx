import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type DesignRubric } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { ListAndMain, ListLine } from '../ui/ListAndMain';
import { EmptyView, Loaded } from '../ui/Panel';
import { useSelection } from '../ui/useSelection';
import { RubricEditor } from './RubricEditor';
import { newCriterion } from './rubric';
import { ShelfDialog } from './ShelfDialog';
import { useDraft } from './useDraft';

/** The rubrics of a course: what counts in a piece of work. */
export default function Rubrics() {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const [sel, select] = useSelection();
  const [shelf, setShelf] = useState(false);
  const rubrics = useQuery(queries.rubrics(course.id));
  const design = useQuery(queries.design(course.id));
  const add = () =>
    draft.add(
      'rubrics',
      () =>
        body(
          api.POST('/api/courses/{course}/design/rubrics', {
            params: { path: { course: course.id } },
            body: { name: t('rubric.new'), criteria: [newCriterion(t)] },
          }),
        ),
      (made) => select(`${made.id}`),
    );
  return (
    <>
      <Actions>
        <Button variant="outlined" onClick={() => setShelf(true)}>
          {t('rubric.shelf')}
        </Button>
        <Button variant="contained" onClick={add}>
          {t('rubric.add')}
        </Button>
      </Actions>
      <Loaded query={rubrics}>
        {(list) => {
          const chosen = list.find((r) => `${r.id}` === sel) ?? list[0];
          return list.length === 0 ? (
            <EmptyView
              title={t('rubric.empty')}
              hint={t('rubric.emptyHint')}
              action={
                <Button variant="contained" onClick={add}>
                  {t('rubric.add')}
                </Button>
              }
            />
          ) : (
            <ListAndMain
              label={t('frame.rubrics')}
              width={240}
              onStep={(by) => {
                const next = list[list.findIndex((r) => r.id === chosen?.id) + by];
                if (next) select(`${next.id}`);
              }}
              list={list.map((r) => (
                <Line
                  key={r.id}
                  rubric={r}
                  chosen={r.id === chosen?.id}
                  onSelect={() => select(`${r.id}`)}
                />
              ))}
            >
              {chosen && design.data && (
                <RubricEditor
                  key={chosen.id}
                  rubric={chosen}
                  design={design.data}
                  draft={draft}
                  onGone={() => select(null)}
                />
              )}
            </ListAndMain>
          );
        }}
      </Loaded>
      {shelf && <ShelfDialog onClose={() => setShelf(false)} onTaken={(id) => select(`${id}`)} />}
    </>
  );
}

function Line({
  rubric,
  chosen,
  onSelect,
}: {
  rubric: DesignRubric;
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
  return (
    <ListLine chosen={chosen} onSelect={onSelect}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography noWrap sx={{ fontWeight: 700 }}>
          {rubric.name}
        </Typography>
        <Typography variant="body2" color="textSecondary" noWrap>
          {rubric.steps.length > 0 ? rubric.steps.join(', ') : t('rubric.unused')}
        </Typography>
      </Box>
    </ListLine>
  );
}
