import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Published } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { moment } from '../../ui/format';
import { ListAndMain, ListLine } from '../../ui/ListAndMain';
import { EmptyView, Loaded } from '../../ui/Panel';
import { useLine, useNames } from '../../ui/useNames';
import { useSelection } from '../../ui/useSelection';
import { useMend } from '../check/useMend';
import { PublishDialog } from '../PublishDialog';
import { useDraft } from '../useDraft';
import { Planned } from './Planned';
import { RuleChanges } from './RuleChanges';

const NEXT = 'next';
const NAMES = 40;

/** What was published when and by whom, what it changed, and what is not published yet. */
export default function History() {
  const t = useTranslations();
  const line = useLine();
  const course = useCourse();
  const [sel, select] = useSelection();
  const [publishing, setPublishing] = useState(false);
  const design = useQuery(queries.design(course.id));
  const publications = useQuery(queries.publications(course.id)).data;
  const staged = design.data?.changed || design.data?.behind;
  return (
    <>
      <Actions>
        <Button variant="contained" disabled={!staged} onClick={() => setPublishing(true)}>
          {t('plan.publish')}
        </Button>
      </Actions>
      <Loaded query={design}>
        {({ changed }) => {
          const list = publications ?? [];
          const rows = [...(changed ? [NEXT] : []), ...list.map((p) => `${p.number}`)];
          if (!publications) return null;
          const chosen = rows.includes(sel ?? '') ? sel : rows[0];
          if (!chosen)
            return <EmptyView title={t('plan.noHistory')} hint={t('plan.noHistoryHint')} />;
          return (
            <ListAndMain
              label={t('frame.history')}
              width={300}
              onStep={(by) => {
                const next = rows[rows.indexOf(chosen) + by];
                if (next) select(next);
              }}
              list={rows.map((key) => {
                const of = list.find((p) => `${p.number}` === key);
                return (
                  <ListLine key={key} chosen={key === chosen} onSelect={() => select(key)}>
                    <Box>
                      <Typography sx={{ fontWeight: 700 }}>
                        {of ? t('plan.publication', { n: of.number }) : t('plan.notYetPublished')}
                      </Typography>
                      {of && (
                        <Typography variant="body2" sx={{ color: 'tone.soft' }}>
                          {line(moment(of.at), of.by, of.later && t('plan.onlyLater'))}
                        </Typography>
                      )}
                    </Box>
                  </ListLine>
                );
              })}
            >
              <Publication key={chosen} of={list.find((p) => `${p.number}` === chosen)} />
            </ListAndMain>
          );
        }}
      </Loaded>
      {publishing && <PublishDialog onClose={() => setPublishing(false)} />}
    </>
  );
}

/** One publication, or what is not published yet. */
function Publication({ of }: { of: Published | undefined }) {
  const t = useTranslations();
  const line = useLine();
  const listed = useNames();
  const course = useCourse();
  const draft = useDraft(course.id);
  const design = useQuery(queries.design(course.id)).data;
  const changes = useQuery(queries.changes(course.id, of?.number));
  const planned = useQuery({ ...queries.impact(course.id), enabled: !of }).data?.planned;
  const mend = useMend(design, draft);
  return (
    <Box sx={{ maxWidth: 820 }}>
      <Typography variant="h1" component="h2">
        {of ? t('plan.publication', { n: of.number }) : t('plan.notYetPublished')}
      </Typography>
      {of && (
        <Typography sx={{ color: 'tone.soft' }}>
          {line(moment(of.at), of.by, of.later ? t('plan.onlyLater') : t('plan.toEveryone'))}
        </Typography>
      )}
      {planned && <Planned planned={planned} />}
      <Loaded query={changes}>
        {(data) => (
          <>
            {of?.number === 1 ? (
              <Typography sx={{ my: 1.5 }}>{t('plan.allNew')}</Typography>
            ) : (
              <>
                {data.names.length > 0 && (
                  <Typography sx={{ my: 1.5 }}>
                    {t('plan.impactWhat', { names: listed(data.names, NAMES) })}
                  </Typography>
                )}
                <RuleChanges changes={data.rules} {...(mend && { onBack: mend })} />
              </>
            )}
          </>
        )}
      </Loaded>
    </Box>
  );
}
