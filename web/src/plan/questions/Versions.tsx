import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { BankQuestion, Question } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { day } from '../../ui/format';
import { Loaded } from '../../ui/Panel';

/** What a question asked before, to look at and to go back to. */
export function Versions({
  question,
  onTake,
}: {
  question: BankQuestion;
  onTake: (question: Question) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const [open, setOpen] = useState(false);
  const versions = useQuery({
    ...queries.questionVersions(course.id, question.id, question.version),
    enabled: open,
  });
  return (
    <Box sx={{ mt: 2 }}>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        {t(open ? 'bank.hideVersions' : 'bank.showVersions')}
      </Button>
      {open && (
        <Loaded query={versions}>
          {(list) =>
            list.length === 0 ? (
              <Typography variant="body2">{t('bank.noVersions')}</Typography>
            ) : (
              list.map((v) => (
                <Box
                  key={v.number}
                  sx={{ display: 'flex', gap: 1, alignItems: 'baseline', py: 0.5 }}
                >
                  <Box sx={{ flex: 1, minWidth: 0 }}>
                    <Typography variant="body2">{v.question.text}</Typography>
                    <Typography variant="caption" color="textSecondary">
                      {t('bank.until', { day: day(v.changedAt), name: v.changedBy })}
                    </Typography>
                  </Box>
                  <Button size="small" onClick={() => onTake(v.question)}>
                    {t('bank.goBack')}
                  </Button>
                </Box>
              ))
            )
          }
        </Loaded>
      )}
    </Box>
  );
}
