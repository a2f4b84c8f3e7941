import {
  Autocomplete,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { LearnerGroup, RosterLine } from '../api/client';
import { offered } from '../ui/options';
import { SavedField } from '../ui/SavedField';
import type { useGroups } from './useGroups';

const offer = offered<RosterLine>();

interface Props {
  group: LearnerGroup;
  /** Those who are not in it. */
  others: RosterLine[];
  does: ReturnType<typeof useGroups>;
  onEnded: () => void;
}

/** A group's name, what speaks of it, and who else is to be in it. */
export function GroupHead({ group, others, does, onEnded }: Props) {
  const t = useTranslations();
  const [ending, setEnding] = useState(false);
  const { rename } = does;
  return (
    <Box sx={{ mb: 2 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
        <SavedField
          label={t('roster.name')}
          value={group.name}
          onSave={(name) => rename.mutate({ group: group.id, name })}
          error={rename.isError}
          helperText={rename.error?.message}
          sx={{ width: 240 }}
        />
        <Autocomplete
          key={group.members}
          size="small"
          options={others}
          filterOptions={offer}
          getOptionLabel={(o) => o.name}
          getOptionKey={(o) => o.enrolment}
          value={null}
          blurOnSelect={false}
          onChange={(_, who) => who && does.move.mutate({ group, in: [who.enrolment], out: [] })}
          renderInput={(params) => <TextField {...params} label={t('roster.addLearner')} />}
          sx={{ width: 280 }}
        />
        <Button onClick={() => setEnding(true)} sx={{ ml: 'auto' }}>
          {t('roster.end')} …
        </Button>
      </Box>
      <Uses group={group} />
      {ending && (
        <EndDialog
          group={group}
          end={does.end}
          onClose={() => setEnding(false)}
          onEnded={onEnded}
        />
      )}
    </Box>
  );
}

function Uses({ group }: { group: LearnerGroup }) {
  if (group.uses.length === 0) return null;
  return (
    <Typography color="textSecondary" component="div" sx={{ mt: 1 }}>
      {group.uses.map((use) => (
        <div key={use}>{use}</div>
      ))}
    </Typography>
  );
}

function EndDialog({
  group,
  end,
  onClose,
  onEnded,
}: {
  group: LearnerGroup;
  end: Props['does']['end'];
  onClose: () => void;
  onEnded: () => void;
}) {
  const t = useTranslations();
  const used = group.uses.length > 0;
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{t('roster.endTitle', { group: group.name })}</DialogTitle>
      <DialogContent>
        <Typography>
          {used ? t('roster.used') : t('roster.endHint', { count: group.members })}
        </Typography>
        <Uses group={group} />
        {end.error && (
          <Typography role="alert" sx={{ color: 'tone.madder', mt: 1 }}>
            {end.error.message}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          {t(used ? 'common.close' : 'common.cancel')}
        </Button>
        {!used && (
          <Button
            variant="contained"
            disabled={end.isPending}
            onClick={() =>
              end.mutate(group, {
                onSuccess: () => {
                  onClose();
                  onEnded();
                },
              })
            }
          >
            {t('roster.end')}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
