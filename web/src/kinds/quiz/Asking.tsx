import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useTranslations } from 'use-intl';

/** Asks before what cannot be taken back. */
export function Asking({
  title,
  button,
  says,
  onClose,
  onGo,
}: {
  title: string;
  button: string;
  says: (string | false)[];
  onClose: () => void;
  onGo: () => void;
}) {
  const t = useTranslations();
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>{title}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {says.map((text) => text && <Typography key={text}>{text}</Typography>)}
      </DialogContent>
      <DialogActions>
        <Button autoFocus onClick={onClose}>
          {t('attempt.goOn')}
        </Button>
        <Button variant="contained" onClick={onGo}>
          {button}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
