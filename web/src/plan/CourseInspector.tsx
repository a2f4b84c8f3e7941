import { Box, Button, FormControlLabel, FormHelperText, Switch, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import {
  api,
  body,
  type CourseRulesEdit,
  type Design,
  type DesignFlag,
  type FlagEdit,
} from '../api/client';
import { newId } from '../ui/ids';
import { NameField } from '../ui/NameField';
import { Kicker, Section } from '../ui/Panel';
import { FindingsAt } from './check/FindingsAt';
import { PrerequisiteFields } from './PrerequisiteFields';
import { RuleEditor } from './RuleEditor';
import type { Draft } from './useDraft';
import { UsualRules } from './usual/UsualRules';

/** After how many days away somebody is flagged by a flag that was added just now. */
const QUIET_DAYS = 7;

/** The rules of the course as a whole: when it is complete, and whom its flags find. */
export function CourseInspector({ design, draft }: { design: Design; draft: Draft }) {
  const t = useTranslations();
  const addFlag = () =>
    draft.add(
      'flags',
      () =>
        body(
          api.POST('/api/courses/{course}/design/flags', {
            params: { path: { course: design.course } },
            body: {
              name: t('plan.flagNew'),
              flagWhen: {
                is: 'ask',
                id: newId(),
                leaf: { is: 'quiet-for', days: QUIET_DAYS },
              } as unknown as FlagEdit['flagWhen'],
            },
          }),
        ),
      () => {},
    );
  return (
    <>
      <Kicker>{t('plan.wholeCourse')}</Kicker>
      <Typography variant="h2">{design.name}</Typography>
      <FindingsAt part="COMPLETION" id={design.course} design={design} draft={draft} />
      <RuleEditor
        title={t('plan.completeWhen')}
        at={{ place: 'course-complete', id: design.course }}
        rule={design.rules.completeWhen}
        usual={t('plan.courseUsual')}
        example={t('plan.examples.complete')}
        onChange={(rule) =>
          draft.rules(design.rules, { completeWhen: rule as CourseRulesEdit['completeWhen'] })
        }
      />
      {design.learners > 0 && (
        <Typography variant="body2" sx={{ mt: 1, color: 'tone.ochreInk' }}>
          {t('plan.completeLate', { count: design.learners })}
        </Typography>
      )}
      <FormControlLabel
        sx={{ mt: 1.5, display: 'flex' }}
        control={
          <Switch
            checked={design.rules.strictOrder}
            onChange={(_, strictOrder) => draft.rules(design.rules, { strictOrder })}
          />
        }
        label={t('plan.strictCourse')}
      />
      <FormHelperText sx={{ mt: 0 }}>{t('plan.strictCourseHint')}</FormHelperText>
      <PrerequisiteFields design={design} draft={draft} />
      <UsualRules design={design} draft={draft} />
      <Section title={t('plan.flags')}>
        <Typography variant="body2" color="textSecondary">
          {t('plan.flagsHint')}
        </Typography>
        {design.flags.map((flag) => (
          <FlagFields key={flag.id} flag={flag} design={design} draft={draft} />
        ))}
        <Button size="small" onClick={addFlag} sx={{ mt: 1 }}>
          {t('plan.addFlag')}
        </Button>
      </Section>
    </>
  );
}

function FlagFields({ flag, design, draft }: { flag: DesignFlag; design: Design; draft: Draft }) {
  const t = useTranslations();
  return (
    <Box
      role="group"
      aria-label={flag.name}
      sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, mx: 0, mt: 1.5 }}
    >
      <NameField
        of={`flags-${flag.id}`}
        label={t('common.name')}
        value={flag.name}
        onSave={(name) => draft.flag(flag, { name })}
      />
      <FindingsAt part="FLAGS" id={flag.id} design={design} draft={draft} />
      <RuleEditor
        title={t('plan.flagWhen')}
        of={flag.name}
        at={{ place: 'flag-raised', id: flag.id }}
        rule={flag.flagWhen}
        usual=""
        needed
        example={t('plan.examples.flag')}
        onChange={(rule) => rule && draft.flag(flag, { flagWhen: rule as FlagEdit['flagWhen'] })}
      />
      <Button
        size="small"
        onClick={() => draft.remove('flags', flag.id, flag.name)}
        aria-label={t('plan.removeFlag', { name: flag.name })}
        sx={{ mt: 0.5, color: 'tone.ink' }}
      >
        {t('common.remove')}
      </Button>
    </Box>
  );
}
