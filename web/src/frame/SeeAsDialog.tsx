import {
  Autocomplete,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Divider,
  TextField,
  Typography,
} from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useNavigate, useSearchParams } from 'react-router';
import { useTranslations } from 'use-intl';
import type { MyCourse } from '../api/client';
import { queries } from '../api/queries';
import { type WalkName, walkBase } from '../kinds/room';
import { offered } from '../ui/options';

interface Learner {
  id: number;
  name: string;
}

const offer = offered<Learner>();

/** The step that is selected in the view that is open. */
function useStep() {
  const [params] = useSearchParams();
  return /^step-(\d+)$/.exec(params.get('sel') ?? '')?.[1];
}

/** Asks through whose eyes somebody wants to look; they come to the step that is selected. */
export default function SeeAsDialog({
  course,
  onClose,
}: {
  course: MyCourse;
  onClose: () => void;
}) {
  const t = useTranslations();
  const navigate = useNavigate();
  const step = useStep();
  const roster = useQuery(queries.roster(course.id));
  const look = (walk: WalkName) => {
    onClose();
    void navigate(`${walkBase(course.id, walk)}/${step ? `steps/${step}` : 'route'}`);
  };
  const learners = (roster.data ?? []).map(({ enrolment, name }) => ({ id: enrolment, name }));
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{t('frame.seeAsLearner')}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Box>
          <Button variant="contained" autoFocus onClick={() => look('practice')}>
            {t('eyes.madeUp')}
          </Button>
          <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
            {t('eyes.madeUpHint')}
          </Typography>
        </Box>
        {learners.length > 0 && (
          <>
            <Divider />
            <Box>
              <Autocomplete
                size="small"
                options={learners}
                filterOptions={offer}
                getOptionLabel={(o) => o.name}
                getOptionKey={(o) => o.id}
                autoHighlight
                onChange={(_, learner) => learner && look(`as-${learner.id}`)}
                renderInput={(params) => <TextField {...params} label={t('eyes.real')} />}
              />
              <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
                {t('eyes.realHint')}
              </Typography>
            </Box>
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
      </DialogActions>
    </Dialog>
  );
}
