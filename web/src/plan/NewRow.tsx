import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { useTranslations } from 'use-intl';

type SetName = (next: string | ((now: string) => string)) => void;

/**
 * Adds what is named in a row and empties it for the next one; an empty name ends. What could not
 * be added stands there again, unless the next one is being typed already.
 */
export function addNamed(
  name: string,
  setName: SetName,
  onAdd: (name: string, failed: () => void) => void,
  onEnd: () => void,
) {
  const wanted = name.trim();
  if (!wanted) return onEnd();
  setName('');
  onAdd(wanted, () => setName((now) => now || wanted));
}

/** A row in which something is named before it is there. */
export function NewRow({
  added,
  inList = false,
  children,
}: {
  /** The one that was added last, as it is said. */
  added: string;
  /** Whether it stands among the rows of a list. */
  inList?: boolean;
  children: ReactNode;
}) {
  const t = useTranslations();
  return (
    <Box
      {...(inList && { role: 'listitem' })}
      sx={{
        p: 1,
        bgcolor: 'tone.indigoTint',
        boxShadow: 'inset 3px 0 0 var(--mui-palette-tone-indigo)',
        ...(inList ? { borderBottom: 1, borderColor: 'divider' } : { mb: 1 }),
      }}
    >
      {children}
      <Typography
        variant="caption"
        role="status"
        component="p"
        sx={{ '&:empty': { display: 'none' } }}
      >
        {added && t('plan.stepAdded', { name: added })}
      </Typography>
    </Box>
  );
}
