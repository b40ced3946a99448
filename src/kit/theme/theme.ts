import { createTheme } from '@mui/material/styles';
import type {} from '@mui/material/themeCssVarsAugmentation';
import { DARK, LIGHT, TYPE, type Token } from './tokens';

const SANS = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";

const sized = ([size, line]: readonly [number, number]) => ({ fontSize: size, lineHeight: `${line}px` });
const [, , , , TEXT, BESIDE] = TYPE;

const palette = (t: Record<Token, string>) => ({
  primary: { main: t.pine, contrastText: t.onPine },
  error: { main: t.lacquer, contrastText: t.paper },
  warning: { main: t.brass, contrastText: t.paper },
  info: { main: t.slate, contrastText: t.paper },
  text: { primary: t.ink, secondary: t.ink2 },
  background: { default: t.paper, paper: t.sheet },
  divider: t.rule,
});

const EDGE = 'var(--ink2)';
const LIT = '0 0 0 2px var(--paper), 0 0 0 4px var(--pine)';

/** MUI as our material: flat, hairlines, radius 6, edges of controls in second ink, nothing that lifts or ripples. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: { light: { palette: palette(LIGHT) }, dark: { palette: palette(DARK) } },
  shape: { borderRadius: 6 },
  spacing: 4,
  typography: {
    fontFamily: SANS,
    fontSize: TEXT[0],
    fontWeightRegular: 430,
    body1: sized(TEXT),
    body2: sized(BESIDE),
    button: { ...sized(TEXT), fontWeight: 600, textTransform: 'none', letterSpacing: 0 },
  },
  transitions: { create: () => 'none' },
  components: {
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: { root: { '&.Mui-focusVisible': { boxShadow: LIT } } },
    },
    MuiButton: {
      defaultProps: { disableElevation: true, variant: 'outlined', color: 'inherit' },
      styleOverrides: {
        root: { height: 36, padding: '7px 14px', whiteSpace: 'nowrap', borderWidth: 1, minWidth: 0 },
        outlined: {
          borderColor: EDGE,
          color: 'var(--ink)',
          '&:hover': { borderColor: 'var(--ink)', background: 'var(--lit)' },
        },
        contained: {
          background: 'var(--pine)',
          color: 'var(--on-pine)',
          '&:hover': { background: 'var(--ink)', color: 'var(--paper)' },
        },
        text: {
          padding: '7px 6px',
          color: 'var(--slate)',
          fontWeight: 430,
          textDecoration: 'underline',
          textUnderlineOffset: 3,
          textDecorationThickness: 1,
          '&:hover': { background: 'none', textDecorationThickness: 2 },
        },
      },
    },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true, variant: 'outlined' } },
    MuiInputLabel: {
      defaultProps: { shrink: true },
      styleOverrides: {
        root: {
          position: 'static',
          transform: 'none',
          color: 'var(--ink)',
          fontWeight: 600,
          ...sized(TEXT),
          marginBottom: 4,
          whiteSpace: 'normal',
          '&.Mui-focused, &.Mui-error': { color: 'var(--ink)' },
        },
      },
    },
    MuiOutlinedInput: {
      defaultProps: { notched: false },
      styleOverrides: {
        root: {
          background: 'var(--sheet)',
          '& fieldset': { borderColor: EDGE, top: 0 },
          '& legend': { display: 'none' },
          '&:hover fieldset': { borderColor: 'var(--ink)' },
          '&.Mui-focused fieldset': { borderColor: 'var(--pine)', borderWidth: 2 },
          '&.Mui-error fieldset': { borderColor: 'var(--lacquer)', borderWidth: 2 },
        },
        input: { padding: '8px 12px', height: 20 },
        multiline: { padding: '8px 12px' },
      },
    },
    MuiFormHelperText: {
      styleOverrides: {
        root: {
          marginLeft: 0,
          ...sized(BESIDE),
          color: 'var(--ink2)',
          '&.Mui-error': { color: 'var(--lacquer)', fontWeight: 600 },
        },
      },
    },
    MuiSelect: {
      defaultProps: { size: 'small', displayEmpty: true },
      styleOverrides: { select: { padding: '8px 12px', minHeight: 20 }, icon: { color: EDGE } },
    },
    MuiMenu: { styleOverrides: { paper: { border: '1px solid var(--ink2)', boxShadow: 'none', marginTop: 2 } } },
    MuiMenuItem: {
      styleOverrides: {
        root: { minHeight: 36, '&.Mui-selected, &.Mui-selected:hover': { background: 'var(--lit)', fontWeight: 650 } },
      },
    },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: { styleOverrides: { paper: { border: '1px solid var(--ink2)', borderRadius: 6, boxShadow: 'none' } } },
    MuiBackdrop: {
      styleOverrides: {
        root: { backgroundColor: 'rgba(32,38,43,0.42)' },
        invisible: { backgroundColor: 'transparent' },
      },
    },
    MuiCheckbox: { defaultProps: { size: 'small' }, styleOverrides: { root: { color: EDGE, padding: 6 } } },
    MuiFormControlLabel: { styleOverrides: { label: { fontSize: TEXT[0] } } },
    MuiTooltip: {
      styleOverrides: {
        tooltip: { background: 'var(--ink)', color: 'var(--paper)', fontSize: BESIDE[0], borderRadius: 4 },
      },
    },
  },
});

// MUI's CSS variables as plain text, put once into the head so that no island carries its own copy.
const block = (o: Record<string, unknown>): string =>
  Object.entries(o)
    .map(([k, v]) =>
      v !== null && typeof v === 'object'
        ? `${k}{${block(v as Record<string, unknown>)}}`
        : `${k.startsWith('--') ? k : k.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${String(v)};`,
    )
    .join('');
export const themeCss = theme
  .generateStyleSheets()
  .map((s) => block(s as Record<string, unknown>))
  .join('');
