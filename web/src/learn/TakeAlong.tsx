import {
  Alert,
  Box,
  Button,
  LinearProgress,
  Menu,
  MenuItem,
  Switch,
  Typography,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { api, type MyAward } from '../api/client';
import { queries } from '../api/queries';
import { BadgeDrawing } from '../ui/BadgeDrawing';
import { day } from '../ui/format';
import { useSend, useWallets } from './useWallets';

const FORMS = ['PDF', 'PNG', 'SVG', 'JSON', 'JWT', 'EARLIER', 'EARLIER_SVG'] as const;

/** All badges of the learner, from all courses: to take along, and to show. */
export function TakeAlong() {
  const t = useTranslations();
  const awards = useQuery(queries.myAwards());
  if (!awards.data || awards.data.length === 0) return null;
  return (
    <Box component="section" sx={{ mt: 4, maxWidth: 860 }}>
      <Typography variant="h2">{t('along.title')}</Typography>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <Typography color="textSecondary" sx={{ flex: 1, minWidth: 240 }}>
          {t('along.hint')}
        </Typography>
        {awards.data.some((a) => a.ready && a.state !== 'REVOKED') && (
          <Button variant="outlined" href="/api/account/badges/record" download>
            {t('along.all')}
          </Button>
        )}
      </Box>
      {awards.data.map((award) => (
        <Award key={award.id} award={award} />
      ))}
    </Box>
  );
}

function Award({ award }: { award: MyAward }) {
  const t = useTranslations();
  const client = useQueryClient();
  const [at, setAt] = useState<HTMLElement | null>(null);
  const wallets = useWallets();
  const send = useSend(award);
  const show = useMutation({
    mutationFn: (shown: boolean) =>
      api.PUT('/api/account/badges/{award}/showing', {
        params: { path: { award: award.id } },
        body: { shown },
      }),
    onSettled: () => client.invalidateQueries({ queryKey: queries.myAwards().queryKey }),
  });
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        flexWrap: 'wrap',
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        p: 1.25,
        mb: 1,
      }}
    >
      <BadgeDrawing picture={award.picture} label="" size={44} earned={award.state !== 'REVOKED'} />
      <Box sx={{ flex: 1, minWidth: 180 }}>
        <Typography sx={{ fontWeight: 700 }}>{award.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {award.course} · {t('learn.earned', { date: day(award.awardedAt) })}
          {award.state !== 'CURRENT' && ` · ${t(`along.state.${award.state}`)}`}
        </Typography>
      </Box>
      <Box component="label" sx={{ display: 'flex', alignItems: 'center' }}>
        <Switch
          checked={award.shown !== undefined}
          disabled={!award.ready || show.isPending}
          onChange={(_, shown) => show.mutate(shown)}
          slotProps={{ input: { 'aria-label': t('along.showOf', { name: award.name }) } }}
        />
        {t('along.show')}
      </Box>
      <Button
        variant="outlined"
        disabled={!award.ready}
        aria-haspopup="menu"
        aria-label={t('along.takeOf', { name: award.name })}
        onClick={(event) => setAt(event.currentTarget)}
      >
        {t('along.take')}
      </Button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        {FORMS.filter(
          (form) =>
            (!form.endsWith('SVG') || !award.picture.own) &&
            (form !== 'PDF' || award.state !== 'REVOKED'),
        ).map((form) => (
          <MenuItem
            key={form}
            component="a"
            href={`/api/account/badges/${award.id}/${form}`}
            download
            onClick={() => setAt(null)}
          >
            {t(`along.form.${form}`)}
          </MenuItem>
        ))}
        {wallets.map((wallet) => (
          <MenuItem
            key={wallet.name}
            onClick={() => {
              setAt(null);
              send.mutate(wallet);
            }}
          >
            {t(wallet.badges[award.id] ? 'along.sendAgain' : 'along.send', {
              wallet: wallet.name,
            })}
          </MenuItem>
        ))}
      </Menu>
      {award.shown && (
        <Typography variant="body2" sx={{ width: '100%', overflowWrap: 'anywhere' }}>
          {t('along.shownAt')} <a href={`/badge/${award.id}`}>{award.shown}</a>
        </Typography>
      )}
      {wallets.map(
        ({ name, address, badges }) =>
          badges[award.id] && (
            <Typography key={name} variant="body2" sx={{ width: '100%' }}>
              {t('along.inWallet', { date: day(badges[award.id]) })}{' '}
              <a href={address} target="_blank" rel="noreferrer">
                {name}
              </a>
            </Typography>
          ),
      )}
      {send.isPending && <LinearProgress aria-label={t('along.sending')} sx={{ width: '100%' }} />}
      {(show.error ?? send.error) && (
        <Alert severity="error" sx={{ width: '100%' }}>
          {(show.error ?? send.error)?.message}
        </Alert>
      )}
    </Box>
  );
}
