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

export const sans = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
export const mono = "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace";

/** Paper and ink, one copper accent, lamps as the only bright things: every colour there is, once for each look. */
export const inks = {
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

/** Where the keyboard stands. */
export const ring = { outline: '3px solid var(--copper)', outlineOffset: 2 };
