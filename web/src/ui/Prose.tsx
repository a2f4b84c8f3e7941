import { Box } from '@mui/material';

/** Formatted text; the server has taken out everything that could act. */
export function Prose({ html }: { html: string }) {
  return (
    <Box
      sx={{
        bgcolor: 'tone.panel',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        px: 3,
        py: 1.5,
        fontSize: 16,
        lineHeight: 1.6,
        '& h3': { typography: 'h2', mt: 2, mb: 0.5 },
        '& p': { my: 1.25 },
        '& li': { my: 0.4 },
        '& a': { color: 'tone.madder' },
      }}
      // biome-ignore lint/security/noDangerouslySetInnerHtml: sanitised when it was written, see SafeHtml
      dangerouslySetInnerHTML={{ __html: html }}
    />
  );
}
