import { GlobalStyles } from '@mui/material';
import { getContrastRatio, hexToRgb } from '@mui/material/styles';
import { useEffect } from 'react';
import type { Me } from '../api/client';
import { reword } from '../i18n';
import { usePageTitle } from '../ui/usePageTitle';

const COLOUR = /^#[0-9a-f]{6}$/i;
const DARK_INK = '#17212A';
const LIGHT_INK = '#FFFFFF';
const palette = (name: string) => `--mui-palette-${name}`;
const mix = (colour: string, percent: number, other: string) =>
  `color-mix(in srgb, ${colour} ${percent}%, ${other})`;
const channel = (colour: string) => hexToRgb(colour).replace(/[^\d ]/g, '');

/** What is made of the colour of the band. */
const bandOf = (colour: string) => ({
  [palette('tone-band')]: colour,
  [palette('tone-bandRaised')]: mix(colour, 92, 'white'),
});

/** What is made of the colour of the main acts; what means trouble stays as it is. */
function actOf(colour: string) {
  const ink =
    getContrastRatio(colour, DARK_INK) > getContrastRatio(colour, LIGHT_INK) ? DARK_INK : LIGHT_INK;
  return {
    [palette('primary-main')]: colour,
    [palette('primary-dark')]: mix(colour, 80, 'black'),
    [palette('primary-light')]: mix(colour, 80, 'white'),
    [palette('primary-contrastText')]: ink,
    [palette('primary-mainChannel')]: channel(colour),
  };
}

/** The variables of the theme for a scheme. */
function variables(band: string | undefined, act: string | undefined) {
  return {
    ...(band && COLOUR.test(band) && bandOf(band)),
    ...(act && COLOUR.test(act) && actOf(act)),
  };
}

/** Shows everything in the institution's name, colours and words. */
export function Institution({ of }: { of: Me['institution'] }) {
  useEffect(() => {
    reword(of.words);
  }, [of]);
  usePageTitle('institution', of.name);
  const { BAND, ACT, BAND_DARK, ACT_DARK } = of.colours;
  if (Object.keys(of.colours).length === 0) return null;
  return (
    <GlobalStyles
      styles={{
        '[data-scheme="light"]': variables(BAND, ACT),
        '[data-scheme="dark"]': variables(BAND_DARK, ACT_DARK),
      }}
    />
  );
}
