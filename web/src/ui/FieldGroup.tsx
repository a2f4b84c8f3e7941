import { FormControl, FormLabel } from '@mui/material';
import type { ReactNode } from 'react';

/** Fields that belong together, under a name. */
export function FieldGroup({ title, children }: { title: string; children: ReactNode }) {
  return (
    <FormControl component="fieldset" variant="standard" sx={{ display: 'grid', gap: 1.5, mt: 1 }}>
      <FormLabel component="legend" sx={{ mb: 1 }}>
        {title}
      </FormLabel>
      {children}
    </FormControl>
  );
}
