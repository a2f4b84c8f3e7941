import { Box, TextField } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import type { AccountEvent } from '../api/schema';
import { Empty, Loaded } from '../ui/Panel';
import { EventTable } from './EventTable';
import { useHappened } from './useHappened';

/** What happened to accounts, for administrators. */
export default function AccountEvents() {
  const t = useTranslations();
  const events = useQuery(queries.accountEvents());
  const happened = useHappened();
  const [find, setFind] = useState('');
  const found = (e: AccountEvent) =>
    [e.name, e.email, e.by, e.address, happened(e)]
      .join(' ')
      .toLowerCase()
      .includes(find.trim().toLowerCase());
  return (
    <Box component="main" id="main" tabIndex={0} sx={{ overflow: 'auto', p: 2, outline: 0 }}>
      <TextField
        label={t('accounts.find')}
        value={find}
        onChange={(e) => setFind(e.target.value)}
        sx={{ mb: 1.5, width: 320, maxWidth: '100%' }}
      />
      <Loaded query={events}>
        {(all) =>
          all.some(found) ? (
            <EventTable events={all.filter(found)} />
          ) : (
            <Empty title={t('accounts.none')} />
          )
        }
      </Loaded>
    </Box>
  );
}
