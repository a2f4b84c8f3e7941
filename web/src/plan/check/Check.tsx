import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useTranslations } from 'use-intl';
import type { CheckOfDraft, Finding } from '../../api/client';
import { queries } from '../../api/queries';
import { Actions } from '../../frame/Actions';
import { useCourse } from '../../frame/course';
import { Empty, Loaded, WithInspector } from '../../ui/Panel';
import { useSelection } from '../../ui/useSelection';
import { PublishDialog } from '../PublishDialog';
import { useDraft } from '../useDraft';
import { FindingInspector } from './FindingInspector';
import { FindingSign } from './FindingSign';
import { useMeant } from './useMeant';
import { useMend } from './useMend';

const SHOWN = {
  rehearsals: lazy(() => import('../rehearse/Rehearsals')),
  crowd: lazy(() => import('../crowd/Crowd')),
};
type Shown = keyof typeof SHOWN;

const WEIGHTS = ['FAULT', 'NOBODY', 'SOME', 'ODD'] as const;

/** What is wrong with the draft, and what is rehearsed with it, with one learner or a crowd. */
export default function Check() {
  const [params, setParams] = useSearchParams();
  const asked = params.get('show');
  const show = asked === 'rehearsals' || asked === 'crowd' ? asked : 'findings';
  const actions = (
    <CheckActions
      show={show}
      onShow={(next) => setParams(next === 'findings' ? {} : { show: next })}
    />
  );
  if (show === 'findings') return <FindingsView actions={actions} />;
  const View = SHOWN[show];
  return (
    <Suspense fallback={null}>
      <View actions={actions} />
    </Suspense>
  );
}

function CheckActions({
  show,
  onShow,
}: {
  show: 'findings' | Shown;
  onShow: (next: string) => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const [publishing, setPublishing] = useState(false);
  const design = useQuery(queries.design(course.id));
  const open = useQuery(queries.check(course.id)).data?.findings.filter((f) => !f.meant).length;
  const broken = useQuery(queries.rehearsals(course.id)).data?.filter((r) => !r.holds).length;
  return (
    <Actions>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={show}
        aria-label={t('checking.show')}
        onChange={(_, next) => next && onShow(next)}
      >
        <ToggleButton value="findings" sx={{ px: 1.5 }}>
          {t('checking.findings')} {open || ''}
        </ToggleButton>
        <ToggleButton value="rehearsals" sx={{ px: 1.5 }}>
          {t('rehearse.title')} {broken || ''}
        </ToggleButton>
        <ToggleButton value="crowd" sx={{ px: 1.5 }}>
          {t('crowd.crowd')}
        </ToggleButton>
      </ToggleButtonGroup>
      <Button
        variant="contained"
        disabled={!design.data?.changed && !design.data?.behind}
        onClick={() => setPublishing(true)}
      >
        {t('plan.publish')}
      </Button>
      {publishing && <PublishDialog onClose={() => setPublishing(false)} />}
    </Actions>
  );
}

/** What is wrong with the draft, the worst first. */
function FindingsView({ actions }: { actions: ReactNode }) {
  const course = useCourse();
  const draft = useDraft(course.id);
  const [sel, select] = useSelection();
  const design = useQuery(queries.design(course.id));
  const check = useQuery(queries.check(course.id));
  const mend = useMend(design.data, draft);
  const meaning = useMeant(course.id);
  const chosen = check.data?.findings.find((f) => f.key === sel);
  return (
    <WithInspector
      inspector={
        chosen ? (
          <FindingInspector key={chosen.key} finding={chosen} onMend={mend} meaning={meaning} />
        ) : null
      }
      onClose={() => select(null)}
    >
      {actions}
      <Loaded query={check}>{(data) => <Findings check={data} sel={sel} select={select} />}</Loaded>
    </WithInspector>
  );
}

function Findings({
  check,
  sel,
  select,
}: {
  check: CheckOfDraft;
  sel: string | null;
  select: (sel: string | null) => void;
}) {
  const t = useTranslations();
  const open = check.findings.filter((f) => !f.meant);
  const meant = check.findings.filter((f) => f.meant);
  if (check.findings.length === 0 && check.lacking.length === 0)
    return <Empty title={t('checking.nothing')} hint={t('checking.nothingHint')} />;
  const rows = (findings: Finding[]) =>
    findings.map((f) => (
      <FindingRow key={f.key} finding={f} chosen={f.key === sel} onSelect={() => select(f.key)} />
    ));
  return (
    <>
      <Typography variant="body2" color="textSecondary" role="status" sx={{ mb: 1.5 }}>
        {open.length + check.lacking.length === 0
          ? t('checking.allMeant')
          : t('checking.count', { count: open.length + check.lacking.length })}
      </Typography>
      {check.lacking.length > 0 && (
        <Group title={t('checking.lacking')}>
          {check.lacking.map((lack) => (
            <Typography key={lack} sx={{ px: 1.5, py: 1, borderTop: 1, borderColor: 'divider' }}>
              {lack}
            </Typography>
          ))}
        </Group>
      )}
      {WEIGHTS.map((weight) => {
        const some = open.filter((f) => f.weight === weight);
        return (
          some.length > 0 && (
            <Group key={weight} title={t(`checking.weight.${weight}`)}>
              {rows(some)}
            </Group>
          )
        );
      })}
      {meant.length > 0 && <Group title={t('checking.meant')}>{rows(meant)}</Group>}
    </>
  );
}

function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ bgcolor: 'tone.panel', border: 1, borderColor: 'divider', mb: 2 }}
    >
      <Typography variant="h3" component="h2" color="textSecondary" sx={{ px: 1.5, py: 0.9 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

function FindingRow({
  finding,
  chosen,
  onSelect,
}: {
  finding: Finding;
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
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
        borderTop: 1,
        borderColor: 'divider',
        cursor: 'pointer',
        display: 'grid',
        gridTemplateColumns: '22px minmax(0, 1fr) auto',
        gap: 1,
        alignItems: 'baseline',
        px: 1.5,
        py: 1,
        bgcolor: chosen ? 'tone.indigoWash' : 'transparent',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
        '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
      }}
    >
      <FindingSign weight={finding.weight} meant={finding.meant !== undefined} />
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 600 }}>{finding.says}</Typography>
        {finding.meant ? (
          <Typography variant="body2" color="textSecondary">
            {t('checking.because', { reason: finding.meant.reason })}
          </Typography>
        ) : (
          finding.chain.length > 0 && (
            <Typography variant="body2" color="textSecondary">
              {finding.chain.at(finding.code.startsWith('CIRCLE') ? 0 : -1)?.says}
            </Typography>
          )
        )}
      </Box>
      <Typography variant="body2" color="textSecondary" noWrap>
        {finding.holdsUp.length > 0 && t('checking.holdsUp', { count: finding.holdsUp.length })}
      </Typography>
    </Box>
  );
}
