import { Box, Typography } from '@mui/material';
import { useTranslations } from 'use-intl';
import type { BankQuestion, DesignOutcome, QuestionWent } from '../../api/client';
import { inPercent } from '../../ui/format';
import { useLine } from '../../ui/useNames';
import { Code } from '../OutcomeRow';

/** One question in the list. */
export function QuestionRow({
  question,
  went,
  outcome,
  chosen,
  onSelect,
}: {
  question: BankQuestion;
  /** How it went, once it was asked. */
  went: QuestionWent | undefined;
  outcome: DesignOutcome | undefined;
  chosen: boolean;
  onSelect: () => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const { usedIn, drawnIn } = question;
  const use = [...usedIn, ...drawnIn].map((u) => u.name);
  return (
    <Box
      component="button"
      type="button"
      onClick={onSelect}
      aria-pressed={chosen}
      sx={{
        font: 'inherit',
        color: 'inherit',
        textAlign: 'left',
        width: '100%',
        border: 0,
        borderBottom: 1,
        borderColor: 'divider',
        cursor: 'pointer',
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr)' },
        gap: 1.5,
        alignItems: 'baseline',
        px: 1.5,
        py: 1,
        bgcolor: chosen ? 'tone.indigoWash' : 'transparent',
        boxShadow: chosen ? 'inset 3px 0 0 var(--mui-palette-tone-indigo)' : 'none',
        '&:hover': { bgcolor: chosen ? undefined : 'tone.ground' },
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography
          sx={{
            fontWeight: 700,
            display: '-webkit-box',
            WebkitLineClamp: 2,
            WebkitBoxOrient: 'vertical',
            overflow: 'hidden',
          }}
        >
          {question.question.text.trim() || t('bank.nothingAsked')}
        </Typography>
        <Typography variant="body2" color="textSecondary" component="div">
          {line(
            t(`question.${question.question.part.is}`),
            t('bank.points', { points: question.question.points }),
            question.difficulty && t(`bank.difficulty.${question.difficulty}`),
            went && t('bank.went', { share: inPercent(went.facility), count: went.asked }),
          )}{' '}
          {outcome && <Code code={outcome.code} />}
          {question.doubles.length > 0 && (
            <Box component="span" sx={{ color: 'tone.madder', ml: 1 }}>
              {t('bank.likelyDouble')}
            </Box>
          )}
        </Typography>
      </Box>
      <Typography variant="body2" color="textSecondary">
        {question.tags.join(', ')}
      </Typography>
      <Typography variant="body2" noWrap title={use.join(', ')} color="textSecondary">
        {line(
          usedIn.length > 0 && usedIn.map((u) => u.name).join(', '),
          drawnIn.length > 0 && t('bank.drawnIn', { count: drawnIn.length }),
        ) || t('bank.unused')}
      </Typography>
    </Box>
  );
}
