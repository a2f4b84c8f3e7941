import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import * as z from 'zod/mini';
import { api, body } from '../../api/client';
import { useCourse } from '../../frame/course';
import { Field, FormDialog } from '../../ui/FormDialog';
import { useNotice } from '../../ui/Notice';
import { useActKey } from '../../ui/useActKey';
import { filled, useFields } from '../../ui/useFields';
import { CopyReportView } from './CopyReportView';

const shelved = z.object({ name: filled(), summary: z.string() });

interface Props {
  thing: { step: number } | { module: number } | { badge: number };
  name: string;
  onClose: () => void;
}

/** Puts a copy of a step, a module or a badge on the shelf, for all courses of the institution. */
export default function ShelveDialog({ thing, name, onClose }: Props) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const once = useActKey();
  const fields = useFields(shelved, { name, summary: '' });
  const put = useMutation({
    meta: { silent: true },
    mutationFn: (typed: z.infer<typeof shelved>) => {
      const wanted = { ...thing, ...typed };
      return body(
        api.POST('/api/courses/{course}/design/shelf/things', {
          params: { path: { course: course.id } },
          headers: once.headers(wanted),
          body: wanted,
        }),
      );
    },
    onSuccess: (report, typed) => {
      notice({ tone: 'success', text: t('copy.shelved', { name: typed.name }) });
      void client.invalidateQueries({ queryKey: ['shelf-things'] });
      if (report.left.length === 0) onClose();
    },
  });
  if (put.data) return <CopyReportView report={put.data} onClose={onClose} />;
  return (
    <FormDialog
      title={t('copy.shelve')}
      fields={fields}
      send={put}
      button={t('copy.shelve')}
      onClose={onClose}
    >
      <Field of={fields} name="name" label={t('common.name')} autoFocus sx={{ mt: 0.75 }} />
      <Field
        of={fields}
        name="summary"
        label={t('copy.summary')}
        helperText={t('copy.summaryHint')}
        multiline
        minRows={2}
      />
    </FormDialog>
  );
}
