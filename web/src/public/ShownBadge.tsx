import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import { Loaded } from '../ui/Panel';
import { CheckedBadge } from './CheckedBadge';
import { OpenPage } from './OpenPage';

/** A badge that its holder shows to everybody. */
export default function ShownBadge() {
  const t = useTranslations();
  const badge = useQuery(queries.shownBadge(useParams().award ?? ''));
  return (
    <OpenPage title={t('check.shownTitle')}>
      <Loaded query={badge}>
        {(data) => <CheckedBadge checked={data.checked} holder={data.holder} />}
      </Loaded>
    </OpenPage>
  );
}
