import { Box, Button, Checkbox, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslations } from 'use-intl';
import { api } from '../api/client';
import type { PracticalLearner, PracticalSheet } from '../api/schema';
import { useCourse } from '../frame/course';
import { Bead } from '../ui/Glyphs';
import { useNotice } from '../ui/Notice';

/** A learner of a practical, large enough for a thumb. */
export function PracticalLine({
  sheet,
  learner,
  unsent,
  ticked,
  onTick,
}: {
  sheet: PracticalSheet;
  learner: PracticalLearner;
  unsent: boolean;
  ticked: boolean;
  /** Without, it cannot be signed off now. */
  onTick?: () => void;
}) {
  const t = useTranslations();
  const done = learner.state === 'DONE';
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        minHeight: 52,
        px: 1,
        borderTop: 1,
        borderColor: 'divider',
        '&:first-of-type': { borderTop: 0 },
        bgcolor: ticked ? 'tone.indigoWash' : undefined,
      }}
    >
      <Box
        component="label"
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 1.25,
          flex: 1,
          minWidth: 0,
          minHeight: 52,
          cursor: onTick ? 'pointer' : 'default',
        }}
      >
        <Checkbox
          size="medium"
          checked={ticked}
          disabled={!onTick}
          onChange={() => onTick?.()}
          sx={{ visibility: onTick ? 'visible' : 'hidden' }}
        />
        <Bead bead={{ state: learner.state, overdue: false, outOfReach: false }} silent />
        <Typography sx={{ fontWeight: 700, overflowWrap: 'anywhere' }}>{learner.name}</Typography>
      </Box>
      <Typography
        variant="body2"
        sx={{ color: unsent ? 'tone.ochreInk' : 'tone.soft', flex: 'none' }}
      >
        {unsent ? t('teach.notSentYet') : t(done ? 'teach.isSignedOff' : `state.${learner.state}`)}
      </Typography>
      {done && <TakeBack sheet={sheet} learner={learner} />}
    </Box>
  );
}

/** Takes a sign-off back that was meant for somebody else. */
function TakeBack({ sheet, learner }: { sheet: PracticalSheet; learner: PracticalLearner }) {
  const t = useTranslations();
  const course = useCourse();
  const client = useQueryClient();
  const notice = useNotice();
  const back = useMutation({
    mutationFn: () =>
      api.DELETE('/api/courses/{course}/marking/{enrolment}/{step}/sign-offs', {
        params: {
          path: { course: course.id, enrolment: learner.enrolment, step: sheet.step },
        },
      }),
    onSuccess: () =>
      notice({ tone: 'success', text: t('teach.signOffGone', { name: learner.name }) }),
    onError: (e) => notice({ tone: 'error', text: e.message }),
    onSettled: () => client.invalidateQueries({ queryKey: ['practicals', course.id] }),
  });
  return (
    <Button
      size="small"
      color="inherit"
      disabled={back.isPending}
      aria-label={t('teach.takeBackOf', { name: learner.name })}
      onClick={() => back.mutate()}
    >
      {t('teach.takeBack')}
    </Button>
  );
}
