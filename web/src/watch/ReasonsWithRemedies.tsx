import { Link } from '@mui/material';
import { Fragment, useState } from 'react';
import { useTranslations } from 'use-intl';
import type { FlagReason, FlagRemedy } from '../api/client';
import { ExceptionDialog } from './ExceptionDialog';
import { useGiving } from './useGiving';

interface Learner {
  enrolment: number;
  name: string;
}

/** Why a flag is up, each sentence with what would help as a word in it. */
export function ReasonsWithRemedies({
  reasons,
  learner,
}: {
  reasons: FlagReason[];
  learner: Learner;
}) {
  return reasons.map(({ says, remedy }) => (
    <Fragment key={says}>
      {says} {remedy && <Remedy remedy={remedy} learner={learner} />}
    </Fragment>
  ));
}

/** Done at once where nothing has to be asked: the notice takes it back. */
function Remedy({ remedy, learner }: { remedy: FlagRemedy; learner: Learner }) {
  const t = useTranslations();
  const [asking, setAsking] = useState(false);
  const { way, step, name } = remedy;
  const give = useGiving({ enrolment: learner.enrolment, step });
  return (
    <>
      <Link
        component="button"
        type="button"
        disabled={give.isPending}
        onClick={() => (way === 'MOVE_DUE' ? setAsking(true) : give.mutate(way))}
        title={t('watch.remedyAt', { step: name, name: learner.name })}
        sx={{ font: 'inherit', fontWeight: 700, verticalAlign: 'baseline' }}
      >
        {t(`watch.remedy.${way}`)}
      </Link>{' '}
      {asking && (
        <ExceptionDialog
          learners={[learner]}
          steps={[{ id: step, name }]}
          kind={way}
          onClose={() => setAsking(false)}
        />
      )}
    </>
  );
}
