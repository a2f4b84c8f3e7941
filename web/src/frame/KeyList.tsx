import {
  Box,
  Dialog,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Switch,
  Typography,
} from '@mui/material';
import { useTranslations } from 'use-intl';
import { useOneKey } from '../ui/oneKey';

const KEYS = {
  j: 'j ↓',
  k: 'k ↑',
  space: 'Space',
  enter: 'Enter',
  esc: 'Esc',
  undo: 'Ctrl Z',
  find: 'Ctrl K',
  parts: 'F6',
  grades: 'g',
  help: '?',
};

export default function KeyList({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
  const [on, set] = useOneKey();
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>{t('frame.keys')}</DialogTitle>
      <DialogContent>
        <Box
          component="dl"
          sx={{
            display: 'grid',
            gridTemplateColumns: 'auto 1fr',
            columnGap: 3,
            rowGap: 0.75,
            m: 0,
          }}
        >
          {Object.entries(KEYS).map(([name, key]) => (
            <Box key={name} sx={{ display: 'contents' }}>
              <Typography component="dt" sx={{ fontWeight: 700 }}>
                {key}
              </Typography>
              <Typography component="dd" sx={{ m: 0 }}>
                {t(`frame.keyList.${name}`)}
              </Typography>
            </Box>
          ))}
        </Box>
        <FormControlLabel
          sx={{ mt: 1.5 }}
          control={<Switch checked={on} onChange={(_, next) => set(next)} />}
          label={t('frame.oneKey')}
        />
      </DialogContent>
    </Dialog>
  );
}
