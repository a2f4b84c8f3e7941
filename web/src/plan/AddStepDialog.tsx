import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
} from '@mui/material';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Design, StepKind } from '../api/client';
import { kinds, room } from '../kinds/rooms';

interface Props {
  design: Design;
  module: number | undefined;
  onClose: () => void;
  onAdd: (module: number, kind: StepKind, name: string) => void;
}

export function AddStepDialog({ design, module, onClose, onAdd }: Props) {
  const { t } = useTranslation();
  const [kind, setKind] = useState<StepKind>('PAGE');
  const [to, setTo] = useState(module ?? design.modules.at(-1)?.id ?? 0);
  const [name, setName] = useState('');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault();
          if (name.trim()) onAdd(to, kind, name.trim());
        }}
      >
        <DialogTitle>{t('plan.kindQuestion')}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <ToggleButtonGroup
            exclusive
            fullWidth
            size="small"
            value={kind}
            onChange={(_, next) => next && setKind(next)}
            aria-label={t('plan.kindQuestion')}
          >
            {kinds.map((k) => (
              <ToggleButton key={k} value={k}>
                {room(k).name}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          <TextField
            label={t('plan.newName')}
            value={name}
            onChange={(e) => setName(e.target.value)}
            autoFocus
            required
          />
          <TextField
            select
            label={t('plan.belongsTo')}
            value={to}
            onChange={(e) => setTo(Number(e.target.value))}
          >
            {design.modules.map((m) => (
              <MenuItem key={m.id} value={m.id}>
                {m.name}
              </MenuItem>
            ))}
          </TextField>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{t('common.cancel')}</Button>
          <Button type="submit" variant="contained">
            {t('plan.addStep')}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
