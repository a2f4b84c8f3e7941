import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
} from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import { queries } from '../api/queries';
import type { AccountEvent } from '../api/schema';
import { moment } from '../ui/format';
import { Empty, Loaded } from '../ui/Panel';

/** What happened to accounts, for administrators. */
export default function AccountEvents({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const events = useQuery(queries.accountEvents());
  const [find, setFind] = useState('');
  const found = (e: AccountEvent) =>
    `${e.name ?? ''} ${e.email} ${e.address} ${t(`accounts.${e.what}`)}`
      .toLowerCase()
      .includes(find.trim().toLowerCase());
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>{t('accounts.title')}</DialogTitle>
      <DialogContent>
        <TextField
          label={t('accounts.find')}
          value={find}
          onChange={(e) => setFind(e.target.value)}
          sx={{ my: 1 }}
        />
        <Loaded query={events}>
          {(all) =>
            all.some(found) ? (
              <Table size="small" stickyHeader>
                <TableHead>
                  <TableRow>
                    <TableCell>{t('accounts.when')}</TableCell>
                    <TableCell>{t('accounts.what')}</TableCell>
                    <TableCell>{t('accounts.who')}</TableCell>
                    <TableCell>{t('accounts.address')}</TableCell>
                  </TableRow>
                </TableHead>
                <TableBody>
                  {all.filter(found).map((e) => (
                    <TableRow key={`${e.at} ${e.what} ${e.email}`}>
                      <TableCell sx={{ whiteSpace: 'nowrap' }}>{moment(e.at)}</TableCell>
                      <TableCell>{t(`accounts.${e.what}`)}</TableCell>
                      <TableCell>{e.name ?? e.email}</TableCell>
                      <TableCell>{e.address}</TableCell>
                    </TableRow>
                  ))}
                </TableBody>
              </Table>
            ) : (
              <Empty title={t('accounts.none')} />
            )
          }
        </Loaded>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          {t('common.close')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
