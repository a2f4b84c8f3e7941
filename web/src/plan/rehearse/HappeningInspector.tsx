import { Box, Button, Typography } from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import type { DesignStep, Rehearsal } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { Kicker, Loaded, Section } from '../../ui/Panel';
import { RuleParts } from '../../ui/Parts';
import type { Draft } from '../useDraft';
import { asIf, expectStep, given, type Line, withLine } from './lines';

/** Why a step stands as it does behind a line, what to expect there, and what could happen next. */
export function HappeningInspector({
  rehearsal,
  line,
  step,
  draft,
}: {
  rehearsal: Rehearsal;
  line: number;
  step: DesignStep;
  draft: Draft;
}) {
  const t = useTranslations();
  const course = useCourse();
  const lines = rehearsal.lines.map((l) => l.line);
  const then = useQuery({
    ...queries.rehearsedStep(course.id, lines.slice(0, line + 1), step.id),
    placeholderData: keepPreviousData,
  });
  const put = (next: Line) => draft.rehearsal(rehearsal, { lines: withLine(lines, next, line) });
  const act = (says: string, next: Line) => (
    <Button key={says} size="small" variant="outlined" onClick={() => put(next)}>
      {says}
    </Button>
  );
  const own = step.doneWhen.root;
  return (
    <>
      <Kicker>
        {t(`kind.${step.kind}.name`)} · {t('rehearse.behind', { n: line + 1 })}
      </Kicker>
      <Typography variant="h1" component="h2">
        {step.name}
      </Typography>
      <Loaded query={then}>
        {(data) => (
          <>
            <Typography sx={{ fontWeight: 700, mt: 0.5 }}>
              {data.open ? t('rehearse.isOpen') : t('rehearse.isClosed')}
            </Typography>
            <Section title={t('rehearse.expectHere')}>
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
                {act(
                  data.open ? t('rehearse.expectOpen') : t('rehearse.expectClosed'),
                  expectStep(step.id, 'step-opens', data.open),
                )}
                {act(
                  data.open ? t('rehearse.expectClosed') : t('rehearse.expectOpen'),
                  expectStep(step.id, 'step-opens', !data.open),
                )}
                {act(t('rehearse.expectDone'), expectStep(step.id, 'step-done', true))}
                {act(t('rehearse.expectNotDone'), expectStep(step.id, 'step-done', false))}
              </Box>
            </Section>
            <Section title={t('rehearse.happensNext')}>
              <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
                {act(t('rehearse.asIfDone'), asIf({ is: 'step-done', step: step.id }))}
                {own.is === 'ask' && act(t('rehearse.asIf', { says: own.says }), asIf(own.leaf))}
                {step.kind === 'QUIZ' &&
                  act(t('rehearse.asIfFailed'), asIf({ is: 'not-passed', step: step.id }))}
                {act(t('rehearse.giveOpen'), given(step.id, 'OPENED'))}
                {act(t('rehearse.giveExcuse'), given(step.id, 'EXCUSED'))}
                {act(t('rehearse.giveAnew'), given(step.id, 'ANEW'))}
                {step.kind === 'QUIZ' && act(t('rehearse.giveAttempt'), given(step.id, 'ATTEMPTS'))}
              </Box>
            </Section>
            {data.opens.length > 0 && (
              <Section title={t('watch.openRule')}>
                {data.opens.map((p) => (
                  <RuleParts key={p.id} part={p} />
                ))}
              </Section>
            )}
            {data.done && (
              <Section title={t('watch.doneRule')}>
                <RuleParts part={data.done} />
              </Section>
            )}
          </>
        )}
      </Loaded>
    </>
  );
}
