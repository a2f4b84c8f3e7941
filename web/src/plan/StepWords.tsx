import { Box, Button, FormHelperText } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { room } from '../kinds/rooms';
import type { StepPanelProps } from './stepPanel';

const WordFields = lazy(async () => ({
  default: (await import('../wording/WordFields')).WordFields,
}));

/** What a step says to its learners in words of its own. */
export function StepWords({ step, design, draft }: StepPanelProps) {
  const t = useTranslations();
  const own = step.ownWords;
  const [open, setOpen] = useState(Object.keys(own).length > 0);
  const wording = useQuery({ ...queries.wording(design.course), enabled: open });
  if (!open)
    return (
      <Button variant="text" onClick={() => setOpen(true)} sx={{ justifySelf: 'start', px: 0 }}>
        {t('wording.ofStep')} …
      </Button>
    );
  const { otherwise = {}, own: ofCourse = {} } = wording.data ?? {};
  const elsewhere = Object.fromEntries(
    Object.entries(otherwise).map(([m, text]) => [m, ofCourse[m as keyof typeof ofCourse] || text]),
  );
  return (
    <Box component="section" aria-label={t('wording.ofStep')}>
      <FormHelperText sx={{ mt: 0, mb: 1.5 }}>{t('wording.ofStepHint')}</FormHelperText>
      <Suspense fallback={null}>
        <WordFields
          moments={[...(room(step.kind).says ?? []), 'done']}
          own={{
            handedIn: own.HANDED_IN,
            waiting: own.WAITING,
            passed: own.PASSED,
            again: own.AGAIN,
            done: own.DONE,
          }}
          otherwise={elsewhere}
          named={{ step: step.name, course: design.name }}
          onSave={(moment, text) => {
            const key = moment.replace('I', '_I').toUpperCase();
            const { [key]: _, ...others } = own as Record<string, string>;
            draft.step(step, { ownWords: text ? { ...others, [key]: text } : others });
          }}
        />
      </Suspense>
    </Box>
  );
}
