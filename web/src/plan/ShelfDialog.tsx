import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, body } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { day } from '../ui/format';
import { Empty, Loaded } from '../ui/Panel';
import { useLine } from '../ui/useNames';

/** The institution's shelf of rubrics, to copy from. */
export function ShelfDialog({
  onClose,
  onTaken,
}: {
  onClose: () => void;
  onTaken: (id: number) => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const client = useQueryClient();
  const [text, setText] = useState('');
  const shelf = useQuery(queries.shelf(course.id));
  const path = (id: number) => ({ params: { path: { course: course.id, id } } });
  const take = useMutation({
    mutationFn: (id: number) =>
      body(api.POST('/api/courses/{course}/design/shelf/rubrics/{id}/taking', path(id))),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: ['rubrics', course.id] });
      onTaken(made.id);
      onClose();
    },
  });
  const remove = useMutation({
    mutationFn: (id: number) =>
      api.DELETE('/api/courses/{course}/design/shelf/rubrics/{id}', path(id)),
    onSettled: () => client.invalidateQueries({ queryKey: ['shelf', course.id] }),
  });
  const error = take.error ?? remove.error;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('rubric.shelf')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {error && <Alert severity="error">{error.message}</Alert>}
        <Loaded query={shelf}>
          {(rows) =>
            rows.length === 0 ? (
              <Empty title={t('rubric.shelfEmpty')} hint={t('rubric.shelfHint')} />
            ) : (
              <>
                <TextField
                  label={t('rubric.find')}
                  value={text}
                  onChange={(e) => setText(e.target.value)}
                  autoFocus
                  sx={{ mt: 0.5 }}
                />
                {rows
                  .filter((r) => r.name.toLowerCase().includes(text.trim().toLowerCase()))
                  .map((r) => (
                    <Box
                      key={r.id}
                      sx={{
                        display: 'flex',
                        gap: 1.5,
                        alignItems: 'center',
                        borderBottom: 1,
                        borderColor: 'divider',
                        pb: 1,
                      }}
                    >
                      <Box sx={{ flex: 1, minWidth: 0 }}>
                        <Typography noWrap sx={{ fontWeight: 700 }}>
                          {r.name}
                        </Typography>
                        <Typography variant="body2" color="textSecondary" noWrap>
                          {line(
                            t('rubric.criteria', { count: r.criteria }),
                            t('rubric.points', { count: r.of }),
                            r.by,
                            day(r.at),
                          )}
                        </Typography>
                      </Box>
                      {r.mayRemove && (
                        <Button onClick={() => remove.mutate(r.id)}>{t('common.remove')}</Button>
                      )}
                      <Button variant="outlined" onClick={() => take.mutate(r.id)}>
                        {t('rubric.take')}
                      </Button>
                    </Box>
                  ))}
              </>
            )
          }
        </Loaded>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}
