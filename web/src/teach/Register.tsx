import { Button } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Session } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { ListAndMain } from '../ui/ListAndMain';
import { EmptyView, Loaded } from '../ui/Panel';
import { useAsked } from '../ui/useAsked';
import { useLive } from '../ui/useLive';
import { useSelection } from '../ui/useSelection';
import { RegisterSheet } from './RegisterSheet';
import { SeriesDialog } from './SeriesDialog';
import { SessionList } from './SessionList';

/** The session that is on, else the last one that is over, else the next one. */
export function nearest(sessions: Session[], now: string): Session | undefined {
  const at = Date.parse(now);
  const begun = sessions.filter((s) => Date.parse(s.startsAt) <= at);
  return begun.at(-1) ?? sessions[0];
}

export default function Register() {
  const t = useTranslations();
  const course = useCourse();
  useLive(course.id, ['sessions', 'register']);
  const [sel, select] = useSelection();
  const [adding, setAdding] = useState(false);
  const calendar = useQuery(queries.sessions(course.id));
  const mayEdit = calendar.data?.mayEdit;
  useAsked({ ...(mayEdit && { sessions: () => setAdding(true) }) });
  return (
    <>
      {mayEdit && (
        <Actions>
          <Button variant="contained" onClick={() => setAdding(true)}>
            {t('teach.addSessions')}
          </Button>
        </Actions>
      )}
      <Loaded query={calendar}>
        {(data) => {
          const chosen =
            data.sessions.find((s) => `${s.id}` === sel) ?? nearest(data.sessions, data.now);
          return (
            <>
              {chosen ? (
                <ListAndMain
                  label={t('teach.sessions')}
                  width={320}
                  onStep={(by) => {
                    const next = data.sessions[data.sessions.indexOf(chosen) + by];
                    if (next) select(`${next.id}`);
                  }}
                  list={
                    <SessionList
                      calendar={data}
                      chosen={chosen.id}
                      select={(id) => select(`${id}`)}
                    />
                  }
                >
                  <RegisterSheet
                    key={chosen.id}
                    session={chosen}
                    calendar={data}
                    onGone={() => select(null)}
                  />
                </ListAndMain>
              ) : (
                <EmptyView
                  title={t('teach.noSessions')}
                  hint={t(data.mayEdit ? 'teach.noSessionsHint' : 'teach.noSessionsSupport')}
                />
              )}
              {adding && (
                <SeriesDialog
                  groups={data.groups}
                  onClose={() => setAdding(false)}
                  onAdded={(first) => select(`${first}`)}
                />
              )}
            </>
          );
        }}
      </Loaded>
    </>
  );
}
