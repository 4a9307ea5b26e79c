import type { Theme } from '@mui/material/styles';
import { inks, lampInks, mono, ring, sans } from './inks.ts';

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

const heading = { margin: 0, fontSize: '1rem', lineHeight: 1.2 };

/** How plain text stands, where no component draws it. */
const text = {
  'html, body, #root': { height: '100%' },
  h1: { ...heading, fontSize: '1.5rem' },
  h2: { ...heading, fontSize: '1.15rem' },
  h3: heading,
  p: { margin: '0.35rem 0' },
  a: { color: 'var(--copper)' },
  'kbd, pre': { fontFamily: 'var(--mono)' },
  pre: { whiteSpace: 'pre-wrap' },
  ':focus-visible': ring,
};

/** Nothing moves for whoever does not want it to, and what can only be pressed is not printed. */
const kept = {
  '@media (prefers-reduced-motion: reduce)': {
    '*': { transition: 'none !important', scrollBehavior: 'auto !important', animation: 'none !important' },
  },
  '@media print': {
    '.no-print, .MuiTabs-root, .MuiAppBar-root, .MuiBottomNavigation-root, .rail': { display: 'none !important' },
  },
};

/** What holds on every page beside the components. */
export const base = (own: Theme) => [named(own), text, { '@media print': { 'html:root': printed(own) } }, kept];
