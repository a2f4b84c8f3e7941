import { Paper, Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { AccountEvent } from '../api/schema';
import { moment } from '../ui/format';
import { useHappened } from './useHappened';

/** What happened to accounts, the newest first. */
export function EventTable({ events }: { events: AccountEvent[] }) {
  const t = useTranslations();
  const happened = useHappened();
  return (
    <Paper variant="outlined" sx={{ overflowX: 'auto' }}>
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>{t('accounts.when')}</TableCell>
            <TableCell>{t('accounts.who')}</TableCell>
            <TableCell>{t('accounts.what')}</TableCell>
            <TableCell>{t('accounts.by')}</TableCell>
            <TableCell>{t('accounts.address')}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {events.map((e) => (
            <TableRow key={e.id}>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>{moment(e.at)}</TableCell>
              <TableCell sx={{ fontWeight: 700 }}>{e.name ?? e.email}</TableCell>
              <TableCell>{happened(e)}</TableCell>
              <TableCell>{e.by}</TableCell>
              <TableCell>{e.address}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Paper>
  );
}
