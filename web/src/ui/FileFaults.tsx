import { Alert, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { ApiError } from '../api/client';

const SHOWN = 12;

/** Why a file was not taken, with what is wrong in it. */
export function FileFaults({ error }: { error: Error }) {
  const t = useTranslations();
  const findings = error instanceof ApiError ? (error.problem.findings ?? []) : [];
  return (
    <Alert severity="error" sx={{ mt: 1.5 }}>
      {error.message}
      {findings.slice(0, SHOWN).map((f) => (
        <Typography key={f} variant="body2">
          {f}
        </Typography>
      ))}
      {findings.length > SHOWN && t('common.more', { count: findings.length - SHOWN })}
    </Alert>
  );
}
