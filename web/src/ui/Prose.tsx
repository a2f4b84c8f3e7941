import { Box } from '@mui/material';
import { useEffect, useMemo, useRef } from 'react';
import { withFiles } from './html';

/** How formatted text looks, where it is written and where it is read. */
export const PROSE = {
  '& h2': { typography: 'h2', fontSize: 20, mt: 2, mb: 0.5 },
  '& h3': { typography: 'h2', mt: 2, mb: 0.5 },
  '& p': { my: 1.25 },
  '& li': { my: 0.4 },
  '& li > p': { my: 0 },
  '& a': { color: 'inherit', textDecorationColor: 'var(--mui-palette-tone-line)' },
  '& a[data-file]': { fontWeight: 700 },
  '& img, & video': {
    maxWidth: '100%',
    height: 'auto',
    display: 'block',
    borderRadius: 1,
    my: 1.5,
  },
  '& video': { width: '100%' },
  '& blockquote': { borderLeft: '3px solid', borderColor: 'divider', pl: 2, ml: 0, my: 1.25 },
  '& pre': { bgcolor: 'tone.ground', p: 1.5, borderRadius: 1, overflowX: 'auto', fontSize: 14 },
  '& table': {
    borderCollapse: 'collapse',
    display: 'block',
    maxWidth: '100%',
    overflowX: 'auto',
    my: 1.5,
  },
  '& th, & td': {
    border: 1,
    borderColor: 'divider',
    px: 1,
    py: 0.5,
    textAlign: 'left',
    verticalAlign: 'top',
    minWidth: 40,
  },
  '& th': { bgcolor: 'tone.ground' },
  '& th p, & td p': { my: 0.25 },
} as const;

/**
 * Formatted text; the server has taken out everything that could act.
 *
 * @param plain whether it stands in something that has a border already
 * @param at where its files are found, unless the server has said so in the text
 */
export function Prose({
  html,
  plain = false,
  at,
}: {
  html: string;
  plain?: boolean;
  at?: (file: number) => string;
}) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: the addresses of a text do not change
  const whole = useMemo(() => (at ? withFiles(html, at) : html), [html]);
  const text = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const shown = text.current;
    if (!shown || !html.includes('data-formula')) return;
    void import('./editor/formula').then(({ writeFormulas }) => writeFormulas(shown));
  }, [html]);
  return (
    <Box
      ref={text}
      sx={{
        ...(!plain && {
          bgcolor: 'tone.panel',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          px: 3,
          py: 1.5,
        }),
        overflowWrap: 'anywhere',
        fontSize: plain ? 15 : 16,
        lineHeight: plain ? 1.5 : 1.6,
        ...PROSE,
        ...(plain && { '& p': { my: 0.5 } }),
      }}
      // biome-ignore lint/security/noDangerouslySetInnerHtml: sanitised when it was written, see SafeHtml
      dangerouslySetInnerHTML={{ __html: whole }}
    />
  );
}
