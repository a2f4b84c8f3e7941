import { Alert, Box, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import type { Moment } from '../kinds/room';
import { useNotice } from '../ui/Notice';
import { Loaded } from '../ui/Panel';
import { useFieldChange } from '../ui/useFieldChange';
import { WordFields } from './WordFields';

export const MOMENTS: Moment[] = ['handedIn', 'waiting', 'passed', 'again', 'done', 'completed'];

/** What a course says to its learners in words of its own. */
export default function CourseWording() {
  const t = useTranslations();
  const course = useCourse();
  const notice = useNotice();
  const wording = useQuery(queries.wording(course.id));
  const change = useFieldChange({
    queryKey: queries.wording(course.id).queryKey,
    send: (fields) =>
      body(
        api.PATCH('/api/courses/{course}/wording', {
          params: { path: { course: course.id } },
          body: fields,
        }),
      ),
    done: (undo) => notice({ tone: 'success', text: t('wording.saved'), undo }),
  });
  return (
    <Box component="main" id="main" tabIndex={0} sx={{ overflow: 'auto', p: 3, outline: 0 }}>
      <Box sx={{ maxWidth: 720, display: 'grid', gap: 2.5 }}>
        <Typography>
          {t('wording.intro')} {t('wording.atOnce')}
        </Typography>
        {change.failed && <Alert severity="error">{change.failed}</Alert>}
        <Loaded query={wording}>
          {({ own, otherwise }) => (
            <WordFields
              moments={MOMENTS}
              own={own}
              otherwise={otherwise}
              named={{ step: t('wording.step'), course: course.name }}
              onSave={(moment, text) => change.set(moment, own[moment], text)}
              fault={change.fault}
            />
          )}
        </Loaded>
      </Box>
    </Box>
  );
}
