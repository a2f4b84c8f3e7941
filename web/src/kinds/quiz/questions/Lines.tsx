import { Box, Button, IconButton } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';

interface Props {
  /** What stands in each line, beside the button that takes it away. */
  lines: { id: string; name: string; line: ReactNode }[];
  /** How many there are at least. */
  least: number;
  add: string;
  onAdd: () => void;
  onRemove: (id: string) => void;
}

/** Parts of a question in lines, one more and one less. */
export function Lines({ lines, least, add, onAdd, onRemove }: Props) {
  const t = useTranslations();
  return (
    <>
      {lines.map(({ id, name, line }) => (
        <Box key={id} sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
          {line}
          {lines.length > least && (
            <IconButton
              size="small"
              aria-label={t('plan.removeCondition', { name })}
              onClick={() => onRemove(id)}
            >
              ×
            </IconButton>
          )}
        </Box>
      ))}
      <Button size="small" sx={{ justifySelf: 'start' }} onClick={onAdd}>
        {add}
      </Button>
    </>
  );
}
