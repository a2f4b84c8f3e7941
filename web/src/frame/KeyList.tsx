import { Box, Dialog, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';

const KEYS = {
  j: 'j ↓',
  k: 'k ↑',
  space: 'Space',
  enter: 'Enter',
  esc: 'Esc',
  undo: 'Ctrl Z',
  find: 'Ctrl K',
  grades: 'g',
  help: '?',
};

export default function KeyList({ onClose }: { onClose: () => void }) {
  const t = useTranslations();
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
      </DialogContent>
    </Dialog>
  );
}
