import { createTheme, type Theme } from '@mui/material/styles';
import { PAINT, type Paint, type ThemeName } from './palettes';

declare module '@mui/material/styles' {
  interface Palette {
    pit: Paint;
  }
  interface PaletteOptions {
    pit: Paint;
  }
  interface TypographyVariants {
    reading: React.CSSProperties;
    readingSmall: React.CSSProperties;
    label: React.CSSProperties;
  }
  interface TypographyVariantsOptions {
    reading?: React.CSSProperties;
    readingSmall?: React.CSSProperties;
    label?: React.CSSProperties;
  }
}
declare module '@mui/material/Typography' {
  interface TypographyPropsVariantOverrides {
    reading: true;
    readingSmall: true;
    label: true;
    h4: false;
    h5: false;
    h6: false;
  }
}

const WORDS = "'Archivo Variable', 'Archivo', sans-serif";
const FIGURES = "'Spline Sans Mono Variable', 'Spline Sans Mono', monospace";

function build(paint: Paint): Theme {
  const figures = { fontFamily: FIGURES, fontVariantNumeric: 'tabular-nums' } as const;
  return createTheme({
    cssVariables: true,
    shape: { borderRadius: 3 },
    palette: {
      mode: paint.mode,
      primary: { main: paint.brass, contrastText: paint.onBrass },
      secondary: { main: paint.ink, contrastText: paint.ground },
      error: { main: paint.vermilion, contrastText: paint.ground },
      warning: { main: paint.ochre },
      success: { main: paint.ink },
      info: { main: paint.surface },
      background: { default: paint.ground, paper: paint.panel },
      text: { primary: paint.ink, secondary: paint.quiet },
      divider: paint.rule,
      pit: paint,
    },
    typography: {
      fontFamily: WORDS,
      fontSize: 13,
      h1: { fontSize: 20, fontWeight: 650, lineHeight: 1.25 },
      h2: { fontSize: 16, fontWeight: 650, lineHeight: 1.3 },
      h3: { fontSize: 13.5, fontWeight: 650, lineHeight: 1.3 },
      body1: { fontSize: 14 },
      body2: { fontSize: 13 },
      button: { textTransform: 'none', fontWeight: 600 },
      reading: { ...figures, fontSize: 22, fontWeight: 500, lineHeight: 1.15 },
      readingSmall: { ...figures, fontSize: 13, fontWeight: 500, lineHeight: 1.3 },
      label: { fontSize: 12, color: paint.quiet, lineHeight: 1.3 },
    },
    transitions: { create: () => 'none' },
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          body: { overscrollBehavior: 'none' },
          a: { color: paint.brass },
          ':focus-visible': { outline: `2px solid ${paint.brass}`, outlineOffset: 1 },
        },
      },
      MuiTypography: { defaultProps: { variantMapping: { reading: 'span', readingSmall: 'span', label: 'span' } } },
      MuiButtonBase: { defaultProps: { disableRipple: true }, styleOverrides: { root: { fontFamily: 'inherit' } } },
      MuiButton: {
        defaultProps: { size: 'small', disableElevation: true },
        styleOverrides: {
          root: {
            minHeight: 32,
            ...TOUCH,
            '&:focus-visible': { outline: `2px solid ${paint.brass}`, outlineOffset: 2 },
          },
        },
      },
      MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
      MuiTextField: { defaultProps: { size: 'small', variant: 'outlined' } },
      MuiOutlinedInput: {
        defaultProps: { notched: true },
        styleOverrides: { input: INPUT, root: { backgroundColor: paint.panel, ...TOUCH } },
      },
      MuiInputLabel: { defaultProps: { shrink: true } },
      MuiFormHelperText: { styleOverrides: { root: { marginLeft: 2, marginTop: 2, lineHeight: 1.3 } } },
      MuiTooltip: {
        defaultProps: { enterDelay: 500 },
        styleOverrides: { tooltip: { backgroundColor: paint.ink, color: paint.ground, fontSize: 12 } },
      },
      MuiDialog: { styleOverrides: { paper: { border: `1px solid ${paint.rule}` } } },
      MuiTableCell: {
        styleOverrides: {
          root: { padding: '4px 8px', borderColor: paint.rule },
          head: { color: paint.quiet, fontWeight: 500 },
        },
      },
      MuiAlert: {
        defaultProps: { variant: 'outlined' },
        styleOverrides: { root: { color: paint.ink, padding: '2px 12px', alignItems: 'center' } },
      },
    },
  });
}

const INPUT = { fontSize: 13.5, padding: '6px 8px' } as const;
/** On a phone everything that is touched has room for a gloved finger, px. */
const TOUCH = { '@media (max-width:599.95px)': { minHeight: 44 } } as const;

export const THEMES: Readonly<Record<ThemeName, Theme>> = {
  chalk: build(PAINT.chalk),
  night: build(PAINT.night),
  daylight: build(PAINT.daylight),
};
