import { GlobalStyles } from '@mui/material';
import { useEffect } from 'react';
import type { Me } from '../api/client';
import { reword } from '../i18n';

const COLOUR = /^#[0-9a-f]{6}$/i;

/** Colours by scheme and name, "light.tone-madder", as the variables of the theme. */
function variables(colours: Record<string, string>, scheme: string) {
  return Object.fromEntries(
    Object.entries(colours)
      .filter(([name, colour]) => name.startsWith(`${scheme}.`) && COLOUR.test(colour))
      .map(([name, colour]) => [`--mui-palette-${name.slice(scheme.length + 1)}`, colour]),
  );
}

/** Shows everything in the institution's name, colours and words. */
export function Institution({ of }: { of: Me['institution'] }) {
  useEffect(() => {
    document.title = of.name;
    reword(of.words);
  }, [of]);
  if (Object.keys(of.colours).length === 0) return null;
  return (
    <GlobalStyles
      styles={{
        '[data-scheme="light"]': variables(of.colours, 'light'),
        '[data-scheme="dark"]': variables(of.colours, 'dark'),
      }}
    />
  );
}
