import { Box, Button } from '@mui/material';
import type { Finding, Mend } from '../../api/client';

/** What would mend a finding, each with one click; the first so many where there is little room. */
export function Mends({
  finding,
  onMend,
  most = Number.POSITIVE_INFINITY,
}: {
  finding: Finding;
  onMend: ((mend: Mend) => void) | undefined;
  most?: number;
}) {
  return (
    <Box sx={{ display: 'grid', gap: 0.75, justifyItems: 'start' }}>
      {finding.mends.slice(0, most).map((mend) => (
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
