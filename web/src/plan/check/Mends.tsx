import { Box, Button } from '@mui/material';
import type { Finding, Mend } from '../../api/client';

/** What would mend a finding, each with one click. */
export function Mends({
  finding,
  onMend,
}: {
  finding: Finding;
  onMend: ((mend: Mend) => void) | undefined;
}) {
  return (
    <Box sx={{ display: 'grid', gap: 0.75, justifyItems: 'start' }}>
      {finding.mends.map((mend) => (
        <Button
          key={mend.says}
          size="small"
          variant="outlined"
          disabled={!onMend}
          onClick={() => onMend?.(mend)}
          sx={{ textAlign: 'left', justifyContent: 'flex-start' }}
        >
          {mend.says}
        </Button>
      ))}
    </Box>
  );
}
