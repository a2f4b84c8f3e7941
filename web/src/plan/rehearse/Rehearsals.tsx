import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';
import { api, body, type Rehearsal } from '../../api/client';
import { queries } from '../../api/queries';
import { useCourse } from '../../frame/course';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { useSelection } from '../../ui/useSelection';
import { FindingSign } from '../check/FindingSign';
import { useDraft } from '../useDraft';
import { HappeningInspector } from './HappeningInspector';
import { readChosen, writeChosen } from './lines';
import { Script } from './Script';

/** What is rehearsed with the draft: what happens to a made-up learner, and what is expected. */
export default function Rehearsals({ actions }: { actions: ReactNode }) {
  const t = useTranslations();
  const course = useCourse();
  const draft = useDraft(course.id);
  const [sel, select] = useSelection();
  const design = useQuery(queries.design(course.id));
  const all = useQuery(queries.rehearsals(course.id));
  const chosen = readChosen(sel);
  const rehearsal = all.data?.find((r) => r.id === chosen?.rehearsal) ?? all.data?.[0];
  const step =
    chosen?.step === undefined
      ? undefined
      : design.data?.modules.flatMap((m) => m.steps)[chosen.step];
  const add = () =>
    draft.add(
      'rehearsals',
      () =>
        body(
          api.POST('/api/courses/{course}/design/rehearsals', {
            params: { path: { course: course.id } },
            body: { name: t('rehearse.new'), lines: [] },
          }),
        ),
      (made) => select(`${made.id}`),
    );
  return (
    <WithInspector
      inspector={
        rehearsal && step && chosen?.line !== undefined ? (
          <HappeningInspector
            key={`${rehearsal.id}.${chosen.line}.${step.id}`}
            rehearsal={rehearsal}
            line={chosen.line}
            step={step}
            draft={draft}
          />
        ) : null
      }
      onClose={() => rehearsal && select(`${rehearsal.id}`)}
    >
      {actions}
      <Loaded query={all}>
        {(data) =>
          data.length === 0 || !rehearsal ? (
            <Empty
              title={t('rehearse.empty')}
              hint={t('rehearse.emptyHint')}
              action={
                <Button variant="contained" onClick={add}>
                  {t('rehearse.add')}
                </Button>
              }
            />
          ) : (
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', md: '250px minmax(0, 1fr)' },
                gap: 2.5,
                alignItems: 'start',
              }}
            >
              <List
                all={data}
                chosen={rehearsal.id}
                onSelect={(id) => select(`${id}`)}
                onAdd={add}
              />
              {design.data && (
                <Script
                  key={rehearsal.id}
                  rehearsal={rehearsal}
                  design={design.data}
                  draft={draft}
                  chosen={chosen}
                  select={(line, at) =>
                    select(writeChosen({ rehearsal: rehearsal.id, line, step: at }))
                  }
                  onGone={() => select(null)}
                />
              )}
            </Box>
          )
        }
      </Loaded>
    </WithInspector>
  );
}

function List({
  all,
  chosen,
  onSelect,
  onAdd,
}: {
  all: Rehearsal[];
  chosen: number;
  onSelect: (id: number) => void;
  onAdd: () => void;
}) {
  const t = useTranslations();
  const broken = all.filter((r) => !r.holds).length;
  return (
    <Box component="section" aria-label={t('rehearse.title')}>
      <Typography variant="body2" color="textSecondary" role="status" sx={{ mb: 1 }}>
        {t('rehearse.count', { holding: all.length - broken, broken })}
      </Typography>
      <Box sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', borderBottom: 0 }}>
        {all.map((r) => (
          <Row key={r.id} rehearsal={r} chosen={r.id === chosen} onSelect={() => onSelect(r.id)} />
        ))}
      </Box>
      <Button variant="outlined" onClick={onAdd} sx={{ mt: 1.5 }}>
        {t('rehearse.add')}
      </Button>
    </Box>
  );
}

function Row({
  rehearsal,
  chosen,
  onSelect,
}: {
  rehearsal: Rehearsal;
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const byDraft = !rehearsal.holds && rehearsal.heldBefore === true;
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onSelect}
      sx={{
        font: 'inherit',
        color: 'inherit',
        textAlign: 'left',
        width: '100%',
        border: 0,
        borderBottom: 1,
        borderColor: 'divider',
        cursor: 'pointer',
        display: 'grid',
        gridTemplateColumns: '18px minmax(0, 1fr)',
        gap: 1,
        px: 1.25,
        py: 1,
        bgcolor: chosen ? 'tone.indigoWash' : 'transparent',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
      }}
    >
      {rehearsal.holds ? (
        <Box
          component="span"
          aria-hidden
          sx={{ width: 11, height: 11, borderRadius: '50%', bgcolor: 'tone.lagoon', mt: 0.6 }}
        />
      ) : (
        <FindingSign weight="FAULT" meant={false} />
      )}
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 700 }}>{rehearsal.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {rehearsal.holds ? t('rehearse.lines', { count: rehearsal.lines.length }) : null}
        </Typography>
        {rehearsal.difference && (
          <Typography variant="body2" sx={{ color: 'tone.madder' }}>
            {byDraft && `${t('rehearse.byDraft')} `}
            {rehearsal.difference}
          </Typography>
        )}
      </Box>
    </Box>
  );
}
