import {
  Alert,
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  MenuItem,
  TextField,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState } from 'react';
import { useTranslations } from 'use-intl';
import { ApiError, api, body, type Framework, type Offer } from '../api/client';
import { queries } from '../api/queries';
import { useCourse } from '../frame/course';
import { useNotice } from '../ui/Notice';
import { Empty, Loaded, Section } from '../ui/Panel';
import { found } from './grouping';
import { Code } from './OutcomeRow';

const ROW = 34;
const open = (o: Offer) => o.standing === 'NEW' || o.standing === 'OWN';

/** Outcomes and scales of the institution, to tick and adopt. */
export function AdoptDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const course = useCourse();
  const frameworks = useQuery(queries.frameworks(course.id));
  const [chosen, setChosen] = useState<number | null>(null);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{t('plan.adoptTitle')}</DialogTitle>
      <Loaded query={frameworks}>
        {(all) => {
          const one = all.find((f) => f.id === chosen) ?? all[0];
          if (!one)
            return (
              <>
                <Empty title={t('plan.adoptNone')} hint={t('plan.adoptNoneHint')} />
                <DialogActions>
                  <Button onClick={onClose}>{t('common.close')}</Button>
                </DialogActions>
              </>
            );
          return (
            <Offers
              key={one.id}
              framework={one}
              choice={
                all.length > 1 && (
                  <TextField
                    select
                    label={t('plan.framework')}
                    value={one.id}
                    onChange={(e) => setChosen(Number(e.target.value))}
                    sx={{ minWidth: 240 }}
                  >
                    {all.map((f) => (
                      <MenuItem key={f.id} value={f.id}>
                        {f.name}
                      </MenuItem>
                    ))}
                  </TextField>
                )
              }
              onClose={onClose}
            />
          );
        }}
      </Loaded>
    </Dialog>
  );
}

function Offers({
  framework,
  choice,
  onClose,
}: {
  framework: Framework;
  choice: React.ReactNode;
  onClose: () => void;
}) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const [text, setText] = useState('');
  const [outcomes, setOutcomes] = useState<ReadonlySet<number>>(new Set());
  const [scales, setScales] = useState<ReadonlySet<number>>(new Set());
  const adopt = useMutation({
    mutationFn: () =>
      body(
        api.POST('/api/courses/{course}/design/frameworks/{framework}/adoption', {
          params: { path: { course: course.id, framework: framework.id } },
          body: { outcomes: [...outcomes], scales: [...scales] },
        }),
      ),
    onSuccess: async (done) => {
      await Promise.all([
        client.invalidateQueries({ queryKey: queries.design(course.id).queryKey }),
        client.invalidateQueries({ queryKey: queries.frameworks(course.id).queryKey }),
      ]);
      notice({ tone: 'success', text: t('plan.adoptDone', { count: done.fresh }) });
      onClose();
    },
  });
  const rows = framework.outcomes.filter((o) => found({ ...o, description: '' }, text));
  const free = rows.filter(open);
  const all = free.length > 0 && free.every((o) => outcomes.has(o.id));
  const toggled = (set: ReadonlySet<number>, id: number) => {
    const next = new Set(set);
    if (!next.delete(id)) next.add(id);
    return next;
  };
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 10,
  });
  const findings = adopt.error instanceof ApiError ? (adopt.error.problem.findings ?? []) : [];
  const count = outcomes.size + scales.size;
  return (
    <>
      <DialogContent sx={{ display: 'grid', gap: 1.25 }}>
        <Box sx={{ display: 'flex', gap: 1.5, pt: 0.75, alignItems: 'center', flexWrap: 'wrap' }}>
          {choice || <Typography variant="h2">{framework.name}</Typography>}
          <TextField
            type="search"
            placeholder={t('plan.findOutcome')}
            value={text}
            onChange={(e) => setText(e.target.value)}
            slotProps={{ htmlInput: { 'aria-label': t('plan.findOutcome') } }}
            sx={{ width: 220 }}
          />
          {free.length > 0 && (
            <FormControlLabel
              control={
                <Checkbox
                  checked={all}
                  onChange={() => {
                    const next = new Set(outcomes);
                    for (const o of free)
                      if (all) next.delete(o.id);
                      else next.add(o.id);
                    setOutcomes(next);
                  }}
                />
              }
              label={t('plan.adoptAll')}
            />
          )}
        </Box>
        {adopt.error && (
          <Alert severity="error">
            {adopt.error.message}
            {findings.slice(0, 12).map((f) => (
              <Typography key={f} variant="body2">
                {f}
              </Typography>
            ))}
          </Alert>
        )}
        {framework.outcomes.length === 0 ? (
          <Empty title={t('plan.adoptEmpty')} />
        ) : (
          <Box
            ref={scroller}
            sx={{ maxHeight: 380, overflowY: 'auto', border: 1, borderColor: 'divider' }}
          >
            <Box
              component="ul"
              aria-label={framework.name}
              sx={{
                listStyle: 'none',
                m: 0,
                p: 0,
                position: 'relative',
                height: virtual.getTotalSize(),
              }}
            >
              {virtual.getVirtualItems().map((item) => {
                const o = rows[item.index];
                return (
                  o && (
                    <OfferRow
                      key={o.id}
                      offer={o}
                      top={item.start}
                      ticked={outcomes.has(o.id)}
                      onTick={() => setOutcomes(toggled(outcomes, o.id))}
                    />
                  )
                );
              })}
            </Box>
          </Box>
        )}
        <Section title={t('plan.scales')}>
          {framework.scales.map((s) => (
            <FormControlLabel
              key={s.id}
              control={
                <Checkbox
                  checked={s.adopted || scales.has(s.id)}
                  disabled={s.adopted}
                  onChange={() => setScales(toggled(scales, s.id))}
                />
              }
              label={`${s.name}: ${s.levels.join(', ')}`}
            />
          ))}
          <Typography variant="caption" color="textSecondary" component="p">
            {t('plan.adoptHint')}
          </Typography>
        </Section>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button
          variant="contained"
          disabled={count === 0 || adopt.isPending}
          onClick={() => adopt.mutate()}
        >
          {t('plan.adoptCount', { count })}
        </Button>
      </DialogActions>
    </>
  );
}

function OfferRow({
  offer,
  top,
  ticked,
  onTick,
}: {
  offer: Offer;
  top: number;
  ticked: boolean;
  onTick: () => void;
}) {
  const t = useTranslations();
  const name = `${offer.code} ${offer.name}`;
  const note = [
    offer.parts > 0 && t('plan.madeOfParts', { count: offer.parts }),
    offer.standing !== 'NEW' && t(`plan.standing.${offer.standing}`),
  ].filter(Boolean);
  return (
    <Box
      component="li"
      sx={{
        position: 'absolute',
        top,
        left: 0,
        right: 0,
        height: ROW,
        display: 'grid',
        gridTemplateColumns: '36px 84px minmax(0, 1fr) minmax(0, 210px)',
        gap: 1,
        pr: 1.25,
        alignItems: 'center',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Checkbox
        checked={ticked || offer.standing === 'ADOPTED'}
        disabled={!open(offer)}
        onChange={onTick}
        slotProps={{ input: { 'aria-label': name } }}
      />
      <Code code={offer.code} />
      <Typography noWrap title={[...offer.group, offer.name].join(' / ')}>
        {offer.name}
      </Typography>
      <Typography variant="caption" color="textSecondary" noWrap sx={{ textAlign: 'right' }}>
        {note.join(', ')}
      </Typography>
    </Box>
  );
}
