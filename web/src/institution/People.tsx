import { Box, Button, TextField, Typography } from '@mui/material';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useDeferredValue, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useTranslations } from 'use-intl';
import { api } from '../api/client';
import { queries } from '../api/queries';
import { Actions } from '../frame/Actions';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, WithInspector } from '../ui/Panel';
import { TickedBar } from '../ui/TickedBar';
import { useActKey } from '../ui/useActKey';
import { useSelection } from '../ui/useSelection';
import { PeopleTable } from './PeopleTable';
import { PersonInspector } from './PersonInspector';

const AddPeopleDialog = lazy(() => import('./AddPeopleDialog'));

/** The people of the institution: found, added, changed and helped back in. */
export default function People() {
  const t = useTranslations();
  const [params, setParams] = useSearchParams();
  const find = params.get('find') ?? '';
  const wanted = useDeferredValue(find);
  const people = useQuery({ ...queries.people(wanted), placeholderData: keepPreviousData });
  const [sel, select] = useSelection();
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [adding, setAdding] = useState(false);
  const invite = useInvite(() => setTicked(new Set()));
  return (
    <>
      <Actions>
        <Button variant="contained" onClick={() => setAdding(true)}>
          {t('institution.add')} …
        </Button>
      </Actions>
      <WithInspector
        inspector={sel && <PersonInspector id={Number(sel)} onInvite={invite.mutate} />}
        onClose={() => select(null)}
      >
        <Loaded query={people}>
          {(found) => (
            <>
              <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 1.5 }}>
                <TextField
                  type="search"
                  label={t('institution.find')}
                  value={find}
                  onChange={(e) =>
                    setParams(
                      (now) => {
                        const next = new URLSearchParams(now);
                        if (e.target.value) next.set('find', e.target.value);
                        else next.delete('find');
                        return next;
                      },
                      { replace: true },
                    )
                  }
                  sx={{ width: 320, maxWidth: '100%' }}
                />
                <Typography color="textSecondary" role="status">
                  {t(found.found > found.people.length ? 'institution.first' : 'institution.some', {
                    shown: found.people.length,
                    found: found.found,
                    all: found.all,
                  })}
                </Typography>
              </Box>
              {found.people.length > 0 ? (
                <PeopleTable
                  people={found.people}
                  sel={sel}
                  onSelect={select}
                  ticked={ticked}
                  onTick={setTicked}
                />
              ) : (
                <Empty title={t('institution.none')} hint={t('institution.noneHint')} />
              )}
              <TickedBar count={ticked.size} onNone={() => setTicked(new Set())}>
                <Button
                  variant="contained"
                  disabled={invite.isPending}
                  onClick={() => invite.mutate([...ticked])}
                >
                  {t('institution.sendLinks', { count: ticked.size })}
                </Button>
              </TickedBar>
            </>
          )}
        </Loaded>
      </WithInspector>
      {adding && (
        <Suspense fallback={null}>
          <AddPeopleDialog onClose={() => setAdding(false)} />
        </Suspense>
      )}
    </>
  );
}

/** Has links written to people. */
function useInvite(onDone: () => void) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const once = useActKey();
  return useMutation({
    mutationFn: (people: number[]) =>
      api.POST('/api/people/links', { headers: once.headers(people), body: { people } }),
    onSuccess: (_, people) => {
      once.renew();
      notice({ tone: 'success', text: t('institution.linksSent', { count: people.length }) });
      onDone();
    },
    onError: (e) => notice({ tone: 'error', text: e.message }),
    onSettled: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
}
