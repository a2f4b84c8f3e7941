import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useTranslations } from 'use-intl';
import type { CopyReport } from '../../api/client';

/** What came of a copy, and what could not follow. */
export function CopyReportView({ report, onClose }: { report: CopyReport; onClose: () => void }) {
  const t = useTranslations();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('copy.reportTitle')}</DialogTitle>
      <DialogContent>
        <Typography>
          {t('copy.came', {
            modules: report.modules.length,
            steps: report.steps.length,
            outcomes: report.outcomes,
            badges: report.badges.length,
            files: report.files,
          })}
        </Typography>
        <Typography variant="h3" component="h3" sx={{ mt: 2, mb: 0.5 }}>
          {t('copy.left')}
        </Typography>
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {report.left.map((sentence) => (
            <li key={sentence}>
              <Typography>{sentence}</Typography>
            </li>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose} autoFocus>
          {t('common.close')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
