import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  List,
  ListItem,
  ListItemText,
} from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import Bowser from 'bowser';
import { useTranslations } from 'use-intl';
import { api } from '../api/client';
import { queries } from '../api/queries';
import type { OwnSession } from '../api/schema';
import { moment } from '../ui/format';
import { useNotice } from '../ui/Notice';
import { Loaded } from '../ui/Panel';
import { useLine } from '../ui/useNames';

/** Where one is signed in, and how to end it. */
export default function SessionsDialog({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const client = useQueryClient();
  const notice = useNotice();
  const sessions = useQuery(queries.ownSessions());
  const end = useMutation({
    mutationFn: (id: string | null) =>
      id === null
        ? api.DELETE('/api/account/sessions')
        : api.DELETE('/api/account/sessions/{session}', { params: { path: { session: id } } }),
    onSuccess: () => notice({ tone: 'success', text: t('session.ended') }),
    onError: (e) => notice({ tone: 'error', text: e.message }),
    onSettled: () => client.invalidateQueries({ queryKey: queries.ownSessions().queryKey }),
  });
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{t('session.mine')}</DialogTitle>
      <DialogContent>
        <Loaded query={sessions}>
          {(all) => (
            <List dense disablePadding>
              {all.map((one) => (
                <Session key={one.id} one={one} onEnd={() => end.mutate(one.id)} />
              ))}
            </List>
          )}
        </Loaded>
      </DialogContent>
      <DialogActions>
        {(sessions.data?.length ?? 0) > 1 && (
          <Button onClick={() => end.mutate(null)} disabled={end.isPending}>
            {t('session.endOthers')}
          </Button>
        )}
        <Button variant="contained" onClick={onClose}>
          {t('common.close')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What a browser is, as far as it says: its name and the machine's system. */
function useBrowser() {
  const t = useTranslations();
  return (said: string) => {
    if (!said) return t('session.unknownBrowser');
    const { browser, os } = Bowser.parse(said);
    if (!browser.name) return said;
    return os.name
      ? t('session.browserOn', { browser: browser.name, system: os.name })
      : browser.name;
  };
}

function Session({ one, onEnd }: { one: OwnSession; onEnd: () => void }) {
  const t = useTranslations();
  const line = useLine();
  const browser = useBrowser();
  return (
    <ListItem
      disableGutters
      divider
      secondaryAction={
        !one.here && (
          <Button size="small" onClick={onEnd}>
            {t('session.end')}
          </Button>
        )
      }
    >
      <ListItemText
        primary={line(browser(one.browser), one.here && t('session.here'))}
        secondary={line(
          t('session.began', { when: moment(one.began) }),
          t('session.lastUsed', { when: moment(one.lastUsed) }),
          one.address,
        )}
        slotProps={{ primary: { noWrap: true, sx: { pr: 8 } } }}
      />
    </ListItem>
  );
}
