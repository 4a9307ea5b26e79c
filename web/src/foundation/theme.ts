import { createTheme, type Palette, type Theme } from '@mui/material/styles';
import type {} from '@mui/material/themeCssVarsAugmentation';

export type Mode = 'light' | 'dark';

/** Colours of what is drawn beside the interface: panels, lamps, washes. */
export type Drawn = Readonly<{
  copperWash: string;
  unit: string;
  unitFace: string;
  unitLine: string;
  lampDark: string;
  lampLit: string;
  white: string;
}>;

declare module '@mui/material/styles' {
  interface Palette {
    drawn: Drawn;
  }
  interface PaletteOptions {
    drawn?: Drawn;
  }
}
declare module '@mui/material/Button' {
  interface ButtonPropsSizeOverrides {
    /** For gloves: what a walk needs. */
    glove: true;
    /** For a desk full of them. */
    dense: true;
  }
}

const sans = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
const mono = "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace";

/** Paper and ink, one copper accent, lamps as the only bright things: every colour there is, once for each look. */
const inks = {
  light: {
    primary: { main: '#a34c1c', contrastText: '#fff8f0' },
    secondary: { main: '#1f4a41' },
    info: { main: '#1f4a41' },
    success: { main: '#1c7a4f' },
    warning: { main: '#8a5200' },
    error: { main: '#b3261e' },
    background: { default: '#f4f0e7', paper: '#fbf9f4' },
    text: { primary: '#1d2b2a', secondary: '#56625f' },
    divider: '#d5ccba',
    drawn: {
      copperWash: '#f0dcc9',
      unit: '#e9e2d3',
      unitFace: '#f6f2e9',
      unitLine: '#a99e89',
      lampDark: '#d8d1c0',
      lampLit: '#ffb01f',
      white: '#ffffff',
    },
  },
  dark: {
    primary: { main: '#e58a49', contrastText: '#1a1006' },
    secondary: { main: '#9cc9b8' },
    info: { main: '#9cc9b8' },
    success: { main: '#5cc892' },
    warning: { main: '#e5b04f' },
    error: { main: '#ff8a7d' },
    background: { default: '#12191a', paper: '#1a2324' },
    text: { primary: '#f0eadc', secondary: '#9fb0aa' },
    divider: '#34423f',
    drawn: {
      copperWash: '#3a2a1c',
      unit: '#2a3433',
      unitFace: '#222b2b',
      unitLine: '#6f7d78',
      lampDark: '#39423f',
      lampLit: '#ffb01f',
      white: '#ffffff',
    },
  },
} as const;

/** Lamps light the same in either look: each colour with its rim. */
export const lampInks = {
  amber: { lit: '#ffb01f', rim: '#a66a00' },
  green: { lit: '#35b56a', rim: '#14633a' },
  red: { lit: '#f0503f', rim: '#8c1d12' },
  white: { lit: '#fffdf5', rim: '#8a8372' },
  blue: { lit: '#4b9bff', rim: '#1c4f96' },
  yellow: { lit: '#ffe14d', rim: '#8f7600' },
} as const;

/** What a simulated camera sees: lights as they dazzle, plastic as it is. */
export const feedInks = {
  amber: '#ffb347',
  green: '#5dff9b',
  red: '#ff5b45',
  white: '#fffdf2',
  blue: '#6db6ff',
  yellow: '#ffe95c',
  panel: '#6f6a60',
  face: '#3c4442',
  edge: '#59635f',
  dark: '#4a423a',
} as const;

/** The colour of the paper, for what stands outside the page: the bar of a phone's browser. */
export const paperOf = (mode: Mode): string => inks[mode].background.default;

const ring = { outline: '3px solid var(--copper)', outlineOffset: 2 };

/** The one source of looks. Both looks are there at once, as variables; which holds is said at the page's root. */
export const theme: Theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme', cssVarPrefix: 'ink' },
  colorSchemes: { light: { palette: inks.light }, dark: { palette: inks.dark } },
  shape: { borderRadius: 10 },
  typography: {
    fontFamily: sans,
    button: { textTransform: 'none', fontWeight: 600, fontSize: '1rem', lineHeight: 1.5 },
  },
  components: {
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: { root: { '&.Mui-focusVisible': ring } },
    },
    MuiButton: {
      defaultProps: { disableElevation: true, variant: 'outlined', color: 'inherit' },
      styleOverrides: {
        // children of a button stand apart as words do
        root: {
          minHeight: 44,
          minWidth: 0,
          padding: '0.5rem 1rem',
          columnGap: '0.35em',
          '&.Mui-disabled': { opacity: 0.5 },
        },
        outlined: {
          color: 'var(--ink)',
          background: 'var(--sheet)',
          borderColor: 'var(--line)',
          // a finger that has left hovers nowhere
          '@media (hover: hover)': { '&:hover': { borderColor: 'var(--copper)', background: 'var(--sheet)' } },
          '&.Mui-disabled': { color: 'var(--ink)', borderColor: 'var(--line)' },
        },
        // the next action stays the brightest thing, also under a finger
        contained: {
          '&:hover': { background: 'var(--copper)' },
          '&.Mui-disabled': { background: 'var(--copper)', color: 'var(--on-copper)' },
        },
        text: {
          color: 'var(--copper)',
          padding: '0.5rem',
          justifySelf: 'start',
          '&:hover': { background: 'transparent', textDecoration: 'underline' },
        },
      },
      variants: [
        { props: { size: 'glove' }, style: { minHeight: 56, fontSize: '1.1rem' } },
        { props: { size: 'dense' }, style: { minHeight: 32, padding: '0.2rem 0.6rem', fontSize: '0.875rem' } },
      ],
    },
    MuiTabs: {
      styleOverrides: {
        root: { minHeight: 44, marginBottom: '1rem', borderBottom: '1px solid var(--line)' },
        indicator: { height: 3 },
      },
    },
    MuiTab: {
      styleOverrides: {
        root: {
          minHeight: 44,
          minWidth: 0,
          maxWidth: 'none',
          padding: '0.6rem 0.9rem',
          color: 'var(--soft)',
          opacity: 1,
          '&.Mui-selected': { color: 'var(--ink)' },
        },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          minHeight: 44,
          padding: '0.4rem 0.9rem',
          textTransform: 'none',
          fontSize: '1rem',
          fontWeight: 600,
          color: 'var(--ink)',
          borderColor: 'var(--unit-line)',
          '&.Mui-selected, &.Mui-selected:hover': {
            background: 'var(--copper-wash)',
            color: 'var(--ink)',
            borderColor: 'var(--copper)',
          },
        },
      },
    },
    MuiDialogTitle: { styleOverrides: { root: { fontWeight: 700, fontSize: '1.15rem' } } },
    MuiDialogContent: { styleOverrides: { root: { display: 'grid', gap: '0.75rem' } } },
    MuiDialogActions: { styleOverrides: { root: { padding: '0.75rem 1.5rem 1.25rem', flexWrap: 'wrap' } } },
    MuiMenuItem: { styleOverrides: { root: { minHeight: 44, fontWeight: 600 } } },
    MuiAlert: {
      defaultProps: { variant: 'outlined' },
      styleOverrides: { root: { color: 'var(--ink)', fontSize: '0.9375rem', alignItems: 'center' } },
    },
    MuiAccordion: {
      defaultProps: { disableGutters: true, elevation: 0 },
      styleOverrides: {
        root: {
          background: 'var(--sheet)',
          border: '1px solid var(--line)',
          borderRadius: 'var(--round-3)',
          '&:first-of-type, &:last-of-type': { borderRadius: 'var(--round-3)' },
          '&::before': { display: 'none' },
        },
      },
    },
    MuiAccordionSummary: { styleOverrides: { root: { minHeight: 48, fontWeight: 600, padding: '0 1.15rem' } } },
    MuiTableCell: {
      styleOverrides: {
        root: { borderColor: 'var(--line)', padding: '0.5rem 0.6rem 0.5rem 0', verticalAlign: 'top', font: 'inherit' },
        head: { color: 'var(--soft)', fontSize: '0.8125rem', fontWeight: 600 },
      },
    },
    MuiCheckbox: { defaultProps: { disableRipple: true }, styleOverrides: { root: { padding: '0.4rem' } } },
    MuiToolbar: { styleOverrides: { root: { minHeight: 56, gap: '1rem', padding: '0 1.4rem' } } },
    MuiBottomNavigationAction: {
      styleOverrides: {
        root: { minWidth: 0, color: 'var(--soft)', fontWeight: 600, '&.Mui-selected': { color: 'var(--copper)' } },
        label: { fontSize: '0.8125rem', '&.Mui-selected': { fontSize: '0.8125rem' } },
      },
    },
    MuiLinearProgress: {
      styleOverrides: {
        root: {
          display: 'block',
          minWidth: 60,
          height: 9,
          borderRadius: 'var(--round-full)',
          background: 'var(--line)',
        },
        bar: { transition: 'none', borderRadius: 'inherit' },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
  },
});

/** The colours of a look as they are, for what cannot take variables. */
export const paletteOf = (mode: Mode): Palette => {
  const palette = theme.colorSchemes[mode]?.palette;
  if (!palette) throw new Error(`no look is called ${mode}`);
  return { ...theme.palette, ...palette, mode };
};

/** Under what name a value of the theme stands in the page. */
const nameOf = (value: string): string => /--[\w-]+/.exec(value)?.[0] ?? value;

/** What is printed is ink on white paper, whatever the look on the screen. */
const printed = ({ vars }: Theme): Readonly<Record<string, string>> => {
  const { light } = inks;
  return Object.fromEntries(
    (
      [
        [vars.palette.background.default, light.drawn.white],
        [vars.palette.background.paper, light.drawn.white],
        [vars.palette.text.primary, light.text.primary],
        [vars.palette.text.secondary, light.text.secondary],
        [vars.palette.divider, light.divider],
        [vars.palette.primary.main, light.primary.main],
        [vars.palette.secondary.main, light.secondary.main],
        [vars.palette.success.main, light.success.main],
        [vars.palette.warning.main, light.warning.main],
        [vars.palette.error.main, light.error.main],
        [vars.palette.drawn.copperWash, light.drawn.white],
        [vars.palette.drawn.unit, light.drawn.white],
        [vars.palette.drawn.unitFace, light.drawn.white],
        [vars.palette.drawn.unitLine, light.drawn.unitLine],
        [vars.palette.drawn.lampDark, light.drawn.lampDark],
      ] as const
    ).map(([value, ink]) => [nameOf(value), ink]),
  );
};

/** What the drawings and the styles beside the components call the theme's values. */
export const drawnVariables = (own: Theme) => ({
  ...named(own),
  '@media print': { 'html:root': printed(own) },
});

const named = ({ vars }: Theme) => ({
  ':root': {
    '--paper': vars.palette.background.default,
    '--sheet': vars.palette.background.paper,
    '--ink': vars.palette.text.primary,
    '--soft': vars.palette.text.secondary,
    '--line': vars.palette.divider,
    '--copper': vars.palette.primary.main,
    '--on-copper': vars.palette.primary.contrastText,
    '--copper-wash': vars.palette.drawn.copperWash,
    '--spruce': vars.palette.secondary.main,
    '--rail': inks.light.secondary.main,
    '--on-rail': inks.light.background.default,
    '--good': vars.palette.success.main,
    '--doubt': vars.palette.warning.main,
    '--bad': vars.palette.error.main,
    '--unit': vars.palette.drawn.unit,
    '--unit-face': vars.palette.drawn.unitFace,
    '--unit-line': vars.palette.drawn.unitLine,
    '--lamp-dark': vars.palette.drawn.lampDark,
    '--lamp-lit': vars.palette.drawn.lampLit,
    '--shade': `0 1px 2px color-mix(in srgb, ${vars.palette.text.primary} 8%, transparent)`,
    // what is printed is on white paper, and what lies over a picture has to be seen on anything
    '--white': inks.light.drawn.white,
    '--night': inks.dark.background.default,
    '--print-ink': inks.light.text.primary,
    '--print-soft': inks.light.text.secondary,
    '--print-line': inks.light.divider,
    '--print-copper': inks.light.primary.main,
    '--print-bad': inks.light.error.main,
    ...Object.fromEntries(Object.entries(lampInks).map(([name, { lit }]) => [`--lamp-${name}`, lit])),
    '--round-1': '4px',
    '--round-2': '8px',
    '--round-3': '12px',
    '--round-full': '999px',
    '--mono': mono,
    '--sans': sans,
  },
  // whatever is drawn as a lamp of a colour has it, and its rim
  ...Object.fromEntries(
    Object.entries(lampInks).map(([name, { lit, rim }]) => [`.${name}`, { '--lamp': lit, '--rim': rim }]),
  ),
});
