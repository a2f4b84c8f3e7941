import { Autocomplete, Box, Button, IconButton, TextField, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { BankQuestion, QuestionDraw } from '../../api/client';
import { newId } from '../../ui/ids';
import { DifficultyField } from './DifficultyField';
import { tagsOf } from './find';

/** How many questions of the course a draw can take. */
const inPool = (draw: QuestionDraw, bank: BankQuestion[]) =>
  bank.filter(
    (q) =>
      draw.tags.every((tag) => q.tags.includes(tag)) &&
      (draw.difficulty === undefined || q.difficulty === draw.difficulty),
  ).length;

interface Props {
  draws: QuestionDraw[];
  bank: BankQuestion[];
  onChange: (draws: QuestionDraw[]) => void;
}

/** What a quiz draws at random from the questions of the course, for each attempt anew. */
export function DrawFields({ draws, bank, onChange }: Props) {
  const t = useTranslations();
  const known = tagsOf(bank).map(({ tag }) => tag);
  const set = (id: string, more: Partial<QuestionDraw>) =>
    onChange(draws.map((d) => (d.id === id ? { ...d, ...more } : d)));
  return (
    <>
      {draws.map((draw, n) => {
        const found = inPool(draw, bank);
        const { difficulty: _, ...any } = draw;
        return (
          <Box
            key={draw.id}
            component="fieldset"
            sx={{
              border: 1,
              borderColor: 'divider',
              borderRadius: 1,
              mt: 1.5,
              mx: 0,
              p: 1.25,
              display: 'grid',
              gridTemplateColumns: 'minmax(0, 1fr)',
              gap: 1,
            }}
          >
            <Typography component="legend" variant="caption" color="textSecondary">
              {t('draw.name', { n: n + 1 })}
            </Typography>
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <TextField
                type="number"
                label={t('draw.count')}
                value={draw.count}
                error={found < draw.count}
                onChange={(e) =>
                  set(draw.id, { count: Math.max(1, Math.min(100, Number(e.target.value))) })
                }
                sx={{ width: 96, flex: 'none' }}
              />
              <TextField
                type="number"
                label={t('draw.points')}
                value={draw.points}
                onChange={(e) => set(draw.id, { points: Math.max(0, Number(e.target.value)) })}
                sx={{ width: 110, flex: 'none' }}
              />
              <DifficultyField
                value={draw.difficulty}
                none={t('draw.any')}
                onChange={(difficulty) =>
                  onChange(
                    draws.map((d) =>
                      d.id === draw.id ? { ...any, ...(difficulty && { difficulty }) } : d,
                    ),
                  )
                }
              />
              <IconButton
                size="small"
                aria-label={t('plan.removeCondition', { name: t('draw.name', { n: n + 1 }) })}
                onClick={() => onChange(draws.filter((d) => d.id !== draw.id))}
              >
                ×
              </IconButton>
            </Box>
            <Autocomplete
              multiple
              size="small"
              options={known}
              value={draw.tags}
              onChange={(_, tags) => set(draw.id, { tags })}
              renderInput={(params) => <TextField {...params} label={t('draw.tags')} />}
            />
            <Typography
              variant="caption"
              color={found < draw.count ? 'error' : 'textSecondary'}
              role="status"
            >
              {t('draw.found', { count: found })}
            </Typography>
          </Box>
        );
      })}
      <Button
        size="small"
        sx={{ mt: 1 }}
        onClick={() => onChange([...draws, { id: newId(), tags: [], count: 1, points: 1 }])}
      >
        {t('draw.add')}
      </Button>
    </>
  );
}
