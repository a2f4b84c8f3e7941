import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { api, body, type DesignRubric } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { Empty, Loaded } from '../ui/Panel';
import { tone } from '../ui/tone';
import { useSelection } from '../ui/useSelection';
import { RubricEditor } from './RubricEditor';
import { newCriterion } from './rubric';
import { ShelfDialog } from './ShelfDialog';
import { useDraft } from './useDraft';

/** The rubrics of a course: what counts in a piece of work. */
export default function Rubrics() {
  const { t } = useTranslation();
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
        <Typography variant="body2" color="textSecondary" role="status">
          {draft.saving ? t('common.saving') : t('common.saved')}
        </Typography>
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
            <Box component="main" id="main">
              <Empty
                title={t('rubric.empty')}
                hint={t('rubric.emptyHint')}
                action={
                  <Button variant="contained" onClick={add}>
                    {t('rubric.add')}
                  </Button>
                }
              />
            </Box>
          ) : (
            <Box sx={{ display: 'flex', flex: 1, minHeight: 0 }}>
              <Box
                component="nav"
                aria-label={t('frame.rubrics')}
                sx={{
                  width: 240,
                  flex: 'none',
                  overflow: 'auto',
                  bgcolor: 'tone.panel',
                  borderRight: `1px solid ${tone('hairline')}`,
                }}
              >
                {list.map((r) => (
                  <Line
                    key={r.id}
                    rubric={r}
                    chosen={r.id === chosen?.id}
                    onSelect={() => select(`${r.id}`)}
                  />
                ))}
              </Box>
              <Box
                component="main"
                id="main"
                tabIndex={0}
                sx={{ flex: 1, minWidth: 0, overflow: 'auto', p: 2.5, outline: 0 }}
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
              </Box>
            </Box>
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
  const { t } = useTranslation();
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onSelect}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        font: 'inherit',
        color: 'inherit',
        border: 0,
        borderBottom: '1px solid',
        borderColor: 'divider',
        px: 2,
        py: 1,
        cursor: 'pointer',
        bgcolor: chosen ? 'tone.madderWash' : 'transparent',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-madder)' : 'none',
        '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
      }}
    >
      <Typography noWrap sx={{ fontWeight: 700 }}>
        {rubric.name}
      </Typography>
      <Typography variant="body2" color="textSecondary" noWrap>
        {rubric.steps.length > 0 ? rubric.steps.join(', ') : t('rubric.unused')}
      </Typography>
    </Box>
  );
}
