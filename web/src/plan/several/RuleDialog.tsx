import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslations } from 'use-intl';
import type { DesignStep, RuleNode } from '../../api/client';
import { RuleEditor } from '../RuleEditor';
import type { RuleField, Several } from './useSeveral';

const PLACE = { opensWhen: 'step-opens', doneWhen: 'step-done' } as const;

interface Props {
  steps: DesignStep[];
  several: Several;
  onClose: () => void;
}

/** One rule for several steps; it begins with that of the first, and so is copied from it. */
export default function RuleDialog({ steps, several, onClose }: Props) {
  const t = useTranslations();
  const [field, setField] = useState<RuleField>('opensWhen');
  const first = steps[0];
  if (!first) return null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{t('plan.severalRuleTitle', { count: steps.length })}</DialogTitle>
      <DialogContent>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={field}
          onChange={(_, next: RuleField | null) => next && setField(next)}
          aria-label={t('plan.severalRuleWhich')}
        >
          <ToggleButton value="opensWhen">{t('plan.opensWhen')}</ToggleButton>
          <ToggleButton value="doneWhen">{t('plan.doneWhen')}</ToggleButton>
        </ToggleButtonGroup>
        <Making key={field} {...{ steps, first, field, several, onClose }} />
      </DialogContent>
    </Dialog>
  );
}

function Making({
  steps,
  first,
  field,
  several,
  onClose,
}: Props & { first: DesignStep; field: RuleField }) {
  const t = useTranslations();
  const [root, setRoot] = useState<RuleNode | undefined>(first[field]?.root);
  const give = useMutation({
    meta: { silent: true },
    mutationFn: () => several.rule(steps, field, first, root),
    onSuccess: onClose,
  });
  return (
    <>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
        {t('plan.severalRuleFrom', { step: first.name })}
      </Typography>
      <RuleEditor
        title={t(`plan.${field}`)}
        at={{ place: PLACE[field], id: first.id }}
        rule={root && { root, line: '', text: '' }}
        usual={t('plan.always')}
        example={t(field === 'opensWhen' ? 'plan.examples.opens' : 'plan.examples.done')}
        needed={field === 'doneWhen'}
        textual={false}
        onChange={(_, next) => setRoot(next)}
      />
      {give.error && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {give.error.message}
        </Alert>
      )}
      <DialogActions sx={{ px: 0, pb: 0, mt: 2 }}>
        <Button onClick={onClose}>{t('common.cancel')}</Button>
        <Button variant="contained" disabled={give.isPending} onClick={() => give.mutate()}>
          {t('plan.severalRuleGive', { count: steps.length })}
        </Button>
      </DialogActions>
    </>
  );
}
