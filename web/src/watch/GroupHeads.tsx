import { Box, Button } from '@mui/material';
import { useTranslation } from 'react-i18next';
import { spans } from './groups';
import type { OutcomeHead } from './spread';

/** The names of groups over their columns; pressing one folds it away. */
export function GroupHeads({
  outcomes,
  columns,
  onFold,
}: {
  outcomes: OutcomeHead[];
  columns: string;
  onFold: (name: string) => void;
}) {
  const { t } = useTranslation();
  const all = spans(outcomes);
  if (all.length === 0) return null;
  return (
    <Box
      role="row"
      sx={{
        display: 'grid',
        gridTemplateColumns: columns,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <span role="columnheader" />
      <span role="columnheader" />
      {all.map((span) => (
        <Box
          key={span.name}
          role="columnheader"
          aria-colspan={span.columns}
          sx={{
            gridColumn: `span ${span.columns}`,
            minWidth: 0,
            borderLeft: 1,
            borderColor: 'divider',
          }}
        >
          {span.name && (
            <Button
              size="small"
              aria-expanded
              title={t('watch.foldGroup', { name: span.name })}
              onClick={() => onFold(span.name)}
              sx={{ width: '100%', color: 'tone.soft', fontSize: 12, p: 0.25 }}
            >
              <Box
                component="span"
                sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
              >
                {span.name}
              </Box>
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
