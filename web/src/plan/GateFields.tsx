import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import { WordButton } from './WordButton';

interface Gate {
  listed: boolean;
  tells: boolean;
  staysOpen: boolean;
}

/** With what is missing, then only that it is closed, then not at all. */
const next = ({ listed, tells }: Gate): Partial<Gate> =>
  !listed ? { listed: true, tells: true } : tells ? { tells: false } : { listed: false };

/** What learners see while it is closed, and whether open stays open: words that one clicks. */
export function GateFields({
  gate,
  onChange,
}: {
  gate: Gate;
  onChange: (change: Partial<Gate>) => void;
}) {
  const t = useTranslations();
  return (
    <Box sx={{ mt: 0.75 }}>
      <Typography variant="body2" color="textSecondary">
        {t('plan.whileClosed')}:{' '}
        <WordButton onClick={() => onChange(next(gate))}>
          {t(!gate.listed ? 'plan.unlisted' : gate.tells ? 'plan.listed' : 'plan.listedOnly')}
        </WordButton>{' '}
        · {t('plan.onceOpen')}:{' '}
        <WordButton onClick={() => onChange({ staysOpen: !gate.staysOpen })}>
          {t(gate.staysOpen ? 'plan.staysOpen' : 'plan.followsRule')}
        </WordButton>
      </Typography>
    </Box>
  );
}
