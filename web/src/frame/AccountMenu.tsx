import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Divider,
  Menu,
  MenuItem,
  Typography,
} from '@mui/material';
import { useColorScheme } from '@mui/material/styles';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import { api, type Me } from '../api/client';
import { leave } from '../session/leave';
import { forgetUnsent, hasUnsent } from '../ui/unsent';

/** What an account has dialogs about. */
export type About = 'password' | 'sessions';

/** Who is signed in, the colours, and the way out. */
export default function AccountMenu({
  person,
  anchor,
  onAsk,
  onClose,
}: {
  person: NonNullable<Me['person']>;
  anchor: HTMLElement;
  /** Opens one of the dialogs about the account. */
  onAsk: (about: About) => void;
  onClose: () => void;
}) {
  const t = useTranslations();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { mode, systemMode, setMode } = useColorScheme();
  const [sure, setSure] = useState(false);
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  const signOut = async () => {
    forgetUnsent(person.id);
    await api.DELETE('/api/session');
    leave(queries);
    void navigate('/');
  };
  return (
    <>
      <Menu anchorEl={anchor} open={!sure} onClose={onClose}>
        <Box sx={{ px: 2, py: 0.5 }}>
          <Typography sx={{ fontWeight: 700 }}>{person.name}</Typography>
          <Typography variant="caption" color="textSecondary">
            {person.email}
          </Typography>
        </Box>
        <Divider />
        <MenuItem
          onClick={() => {
            setMode(dark ? 'light' : 'dark');
            onClose();
          }}
        >
          {t(dark ? 'session.lightOn' : 'session.dark')}
        </MenuItem>
        <MenuItem onClick={() => onAsk('password')}>{t('session.changePassword')}</MenuItem>
        <MenuItem onClick={() => onAsk('sessions')}>{t('session.mine')}</MenuItem>
        <MenuItem
          onClick={() => {
            if (hasUnsent(person.id)) setSure(true);
            else void signOut();
          }}
        >
          {t('session.signOut')}
        </MenuItem>
      </Menu>
      <Dialog open={sure} onClose={onClose} maxWidth="xs" fullWidth>
        <DialogTitle>{t('session.unsentTitle')}</DialogTitle>
        <DialogContent>
          <Typography>{t('session.unsent')}</Typography>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose} autoFocus>
            {t('common.cancel')}
          </Button>
          <Button variant="outlined" onClick={() => void signOut()}>
            {t('session.unsentDelete')}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
