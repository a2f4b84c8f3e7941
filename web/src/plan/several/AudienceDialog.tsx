import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import equal from 'fast-deep-equal';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { Design, DesignStep } from '../../api/client';
import { AudienceField } from '../AudienceField';
import type { Several } from './useSeveral';

interface Props {
  design: Design;
  steps: DesignStep[];
  several: Several;
  onClose: () => void;
}

const audience = ({ groups, people }: DesignStep) => ({ groups, people });

/** Gives some steps to the same learners; where they had the same before, from those on. */
export default function AudienceDialog({ design, steps, several, onClose }: Props) {
  const t = useTranslations();
  const all = steps.map(audience);
  const same = all[0] && all.every((a) => equal(a, all[0])) ? all[0] : { groups: [], people: [] };
  const [chosen, setChosen] = useState(same);
  const send = useMutation({
    meta: { silent: true },
    mutationFn: () => several.set(steps, chosen),
    onSuccess: onClose,
  });
  const everybody = chosen.groups.length + chosen.people.length === 0;
  return (
    <Dialog open fullWidth maxWidth="xs" onClose={onClose}>
      <DialogTitle>{t('plan.severalAudienceOf', { count: steps.length })}</DialogTitle>
      <DialogContent sx={{ '&&': { pt: 1 } }}>
        <AudienceField design={design} audience={chosen} onChange={setChosen} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button variant="contained" disabled={send.isPending} onClick={() => send.mutate()}>
          {t(everybody ? 'plan.severalForAll' : 'plan.severalForThese')}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
