import { Autocomplete, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { Design, Prerequisites } from '../api/client';
import { Section } from '../ui/Panel';
import type { Draft } from './useDraft';
import { WordButton } from './WordButton';

/** Which courses must be complete before somebody is enrolled, and what becomes of who comes early. */
export function PrerequisiteFields({ design, draft }: { design: Design; draft: Draft }) {
  const t = useTranslations();
  const { prerequisites } = design.rules;
  const set = (change: Partial<Prerequisites>) =>
    draft.rules(design.rules, { prerequisites: { ...prerequisites, ...change } });
  const chosen = design.otherCourses.filter((c) => prerequisites.courses.includes(c.id));
  return (
    <Section title={t('plan.prerequisites')}>
      <Autocomplete
        multiple
        size="small"
        options={design.otherCourses}
        value={chosen}
        getOptionLabel={(c) => c.name}
        getOptionKey={(c) => c.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        noOptionsText={t('plan.noOtherCourse')}
        onChange={(_, now) => set({ courses: now.map((c) => c.id).sort((a, b) => a - b) })}
        renderInput={(params) => <TextField {...params} label={t('plan.prerequisiteCourses')} />}
      />
      <Typography variant="body2" color="textSecondary" component="div" sx={{ mt: 0.75 }}>
        {chosen.length === 0 ? (
          t('plan.noPrerequisites')
        ) : (
          <>
            {chosen.length > 1 && (
              <>
                {t('plan.prerequisitesNeeded')}{' '}
                <WordButton onClick={() => set({ all: !prerequisites.all })}>
                  {t(prerequisites.all ? 'plan.prerequisitesAll' : 'plan.prerequisitesAny')}
                </WordButton>
                {' · '}
              </>
            )}
            {t('plan.prerequisitesElse')}{' '}
            <WordButton onClick={() => set({ hold: !prerequisites.hold })}>
              {t(prerequisites.hold ? 'plan.prerequisitesHold' : 'plan.prerequisitesRefuse')}
            </WordButton>
            <br />
            {t('plan.prerequisitesHint')}
          </>
        )}
      </Typography>
    </Section>
  );
}
