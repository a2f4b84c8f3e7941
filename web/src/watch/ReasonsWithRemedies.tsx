import { Link } from '@mui/material';
import { Fragment, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { FlagReason, FlagRemedy } from '../api/client';
import { ExceptionDialog } from './ExceptionDialog';

/** Why a flag is up, each sentence with what would help as a word in it. */
export function ReasonsWithRemedies({
  reasons,
  learner,
}: {
  reasons: FlagReason[];
  learner: { enrolment: number; name: string };
}) {
  const t = useTranslations();
  const [giving, setGiving] = useState<FlagRemedy | null>(null);
  return (
    <>
      {reasons.map(({ says, remedy }) => (
        <Fragment key={says}>
          {says}{' '}
          {remedy && (
            <>
              <Link
                component="button"
                type="button"
                onClick={() => setGiving(remedy)}
                title={t('watch.remedyAt', { step: remedy.name, name: learner.name })}
                sx={{ font: 'inherit', fontWeight: 700, verticalAlign: 'baseline' }}
              >
                {t(`watch.remedy.${remedy.way}`)}
              </Link>{' '}
            </>
          )}
        </Fragment>
      ))}
      {giving && (
        <ExceptionDialog
          learners={[learner]}
          steps={[{ id: giving.step, name: giving.name }]}
          kind={giving.way}
          onClose={() => setGiving(null)}
        />
      )}
    </>
  );
}
