import { Box, TextField, Typography } from '@mui/material';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Question } from '../../api/client';
import { ShownWords } from './questions/ShownWords';

/** A question of the course as a quiz asks it: changed in Questions, worth its own points here. */
export function TakenQuestion({
  question: q,
  name,
  edit,
}: {
  question: Question;
  name: string;
  edit: (question: Question) => void;
}) {
  const t = useTranslations();
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'start' }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ fontWeight: 700 }}>
          <ShownWords of={q} />
        </Box>
        <Typography variant="body2">
          <Link relative="path" to={`../questions?sel=${q.bank}`}>
            {t('bank.changeThere')}
          </Link>
        </Typography>
      </Box>
      <TextField
        label={t('plan.points')}
        type="number"
        value={q.points}
        onChange={(e) => edit({ ...q, points: Math.max(0, Number(e.target.value)) })}
        slotProps={{ htmlInput: { 'aria-label': `${t('plan.points')}: ${name}` } }}
        sx={{ width: 84, flex: 'none' }}
      />
    </Box>
  );
}
