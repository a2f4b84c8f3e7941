import { createTheme } from '@mui/material/styles';
import tones from '../../look/tones.properties';

/** A colour that carries meaning. */
export type Tone =
  | 'ground'
  | 'panel'
  | 'hairline'
  | 'ink'
  | 'soft'
  | 'band'
  | 'bandInk'
  | 'bandSoft'
  | 'bandRaised'
  | 'madder'
  | 'madderTint'
  | 'madderWash'
  | 'lagoon'
  | 'lagoonTint'
  | 'ochre'
  | 'ochreInk'
  | 'ochreTint'
  | 'indigo'
  | 'indigoTint'
  | 'indigoWash'
  | 'line'
  | 'slate'
  | 'slateTint';

const { light, dark } = tones as unknown as Record<'light' | 'dark', Record<Tone, string>>;

declare module '@mui/material/styles' {
  interface Palette {
    tone: Record<Tone, string>;
  }
  interface PaletteOptions {
    tone: Record<Tone, string>;
  }
}

const scheme = (tone: Record<Tone, string>) => ({
  palette: {
    tone,
    background: { default: tone.ground, paper: tone.panel },
    text: { primary: tone.ink, secondary: tone.soft },
    divider: tone.hairline,
    primary: {
      main: tone.madder,
      // under the pointer; what is written on it stays legible in both schemes
      dark: tone === light ? '#841F42' : '#F19AB7',
      contrastText: tone === light ? '#FFFFFF' : '#1B0D13',
    },
    secondary: { main: tone.ink },
    success: { main: tone.lagoon },
    warning: { main: tone.ochre },
    info: { main: tone.indigo },
    error: { main: tone.madder },
  },
});

/** What is pressed is at least so large, in px. */
const LEAST = 24;

const text = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
const display = "'Bricolage Grotesque', system-ui, sans-serif";

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: { light: scheme(light), dark: scheme(dark) },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: text,
    fontSize: 14,
    htmlFontSize: 16,
    body1: { fontSize: 14, lineHeight: 1.45 },
    body2: { fontSize: 13, lineHeight: 1.4 },
    caption: { fontSize: 12, lineHeight: 1.35 },
    h1: { fontFamily: display, fontSize: 22, fontWeight: 600, lineHeight: 1.2 },
    h2: { fontFamily: display, fontSize: 17, fontWeight: 600, lineHeight: 1.25 },
    h3: { fontFamily: display, fontSize: 13, fontWeight: 600, lineHeight: 1.3 },
    button: { fontFamily: display, fontSize: 13.5, fontWeight: 600, textTransform: 'none' },
  },
  transitions: { create: () => 'none' },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiDialogActions: { styleOverrides: { root: { padding: '8px 24px 20px' } } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: ({ theme: t }) => ({
          padding: '5px 13px',
          minWidth: 0,
          minHeight: LEAST,
          '&.Mui-focusVisible': {
            outline: `2px solid ${t.vars.palette.tone.indigo}`,
            outlineOffset: 2,
          },
        }),
        // Madder is for the one main act of a view; what is written only is ink.
        text: ({ theme: t }) => ({
          color: t.vars.palette.tone.ink,
          textDecoration: 'underline',
          textDecorationColor: t.vars.palette.tone.slate,
          textUnderlineOffset: 4,
          '&.MuiButton-colorInherit': { color: 'inherit', textDecoration: 'none' },
          '&.MuiButton-colorError': { color: t.vars.palette.tone.madder },
        }),
        outlined: ({ theme: t }) => ({
          borderColor: t.vars.palette.tone.line,
          color: t.vars.palette.tone.ink,
          backgroundColor: t.vars.palette.tone.panel,
        }),
      },
    },
    // Tones alone tell what lies above what, in the dark scheme too.
    MuiPaper: {
      defaultProps: { elevation: 0 },
      styleOverrides: { root: { backgroundImage: 'none' } },
    },
    MuiCssBaseline: {
      styleOverrides: (t) => ({
        body: { fontVariantNumeric: 'tabular-nums' },
        ':focus-visible': { outline: `2px solid ${t.vars.palette.tone.indigo}`, outlineOffset: 2 },
        '@media print': { body: { backgroundColor: 'transparent' } },
        // What is chosen or pressed is told by colour; where those are the system's, by its own.
        '@media (forced-colors: active)': {
          '[aria-selected="true"], [aria-pressed="true"], [aria-current="page"], [data-chosen="true"]':
            { outline: '2px solid Highlight', outlineOffset: -2 },
          'svg[role="img"], svg[aria-hidden]': { forcedColorAdjust: 'none' },
        },
      }),
    },
    MuiTooltip: { defaultProps: { arrow: false, disableInteractive: true } },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiInputBase: { styleOverrides: { root: { fontSize: 14 }, input: { height: 20 } } },
    MuiOutlinedInput: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          backgroundColor: t.vars.palette.tone.panel,
          '&.MuiInputBase-multiline': { padding: '7px 10px', '& textarea': { padding: 0 } },
          '& ::placeholder': { color: t.vars.palette.tone.soft, opacity: 1 },
          '& .MuiOutlinedInput-notchedOutline': { borderColor: t.vars.palette.tone.line },
          '&.Mui-focused .MuiOutlinedInput-notchedOutline': {
            borderColor: t.vars.palette.tone.indigo,
          },
          '&.Mui-error .MuiOutlinedInput-notchedOutline': {
            borderColor: t.vars.palette.tone.madder,
          },
        }),
        input: { padding: '6.5px 10px' },
      },
    },
    MuiInputLabel: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          '&.Mui-focused:not(.Mui-error)': { color: t.vars.palette.tone.indigo },
        }),
        sizeSmall: {
          fontSize: 14,
          '&:not(.MuiInputLabel-shrink)': { transform: 'translate(11px, 6px)' },
        },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          color: t.vars.palette.tone.ink,
          borderColor: t.vars.palette.tone.line,
          padding: '4px 10px',
          '&.Mui-selected, &.Mui-selected:hover': {
            backgroundColor: t.vars.palette.tone.ink,
            color: t.vars.palette.tone.panel,
          },
        }),
      },
    },
    MuiLink: { defaultProps: { color: 'inherit', underline: 'always' } },
    MuiSwitch: { defaultProps: { color: 'success' } },
    MuiRadio: { defaultProps: { color: 'info' } },
    MuiCheckbox: { defaultProps: { size: 'small', color: 'info' } },
    MuiIconButton: { styleOverrides: { sizeSmall: { minWidth: LEAST, minHeight: LEAST } } },
    MuiTabs: { defaultProps: { indicatorColor: 'secondary', textColor: 'inherit' } },
    MuiLinearProgress: { defaultProps: { color: 'success' } },
    MuiCircularProgress: { defaultProps: { color: 'inherit' } },
    MuiDialogContent: { styleOverrides: { root: { '&&': { paddingTop: 8 } } } },
  },
});
