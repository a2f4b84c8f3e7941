import { Box, IconButton, TextField, Tooltip } from '@mui/material';
import { useState } from 'react';
import { useTranslations } from 'use-intl';

interface Props {
  n: number;
  feedback: string | undefined;
  onChange: (feedback: string | undefined) => void;
}

/** What is said to who makes a choice: a button until something is said. */
export function useChoiceFeedback({ n, feedback, onChange }: Props) {
  const t = useTranslations();
  const [asked, setAsked] = useState(false);
  const shown = asked || Boolean(feedback);
  const name = t('plan.sayAboutChoice', { n: n + 1 });
  const button = (
    <Tooltip title={name}>
      <IconButton
        size="small"
        aria-label={name}
        aria-pressed={shown}
        onClick={() => setAsked(!shown)}
        sx={{ fontSize: 15, minWidth: 28 }}
      >
        ❝
      </IconButton>
    </Tooltip>
  );
  const field = shown && (
    <Box sx={{ pl: 4.5 }}>
      <TextField
        label={t('plan.choiceFeedback')}
        multiline
        value={feedback ?? ''}
        autoFocus={asked && !feedback}
        onChange={(e) => onChange(e.target.value || undefined)}
        slotProps={{ htmlInput: { maxLength: 2000 } }}
      />
    </Box>
  );
  return { button, field };
}
