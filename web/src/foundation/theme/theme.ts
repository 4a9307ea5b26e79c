import { createTheme, type Palette, type Theme } from '@mui/material/styles';
import type {} from '@mui/material/themeCssVarsAugmentation';
import { components } from './components.ts';
import { type Drawn, inks, type Mode, sans } from './inks.ts';

declare module '@mui/material/styles' {
  interface Palette {
    drawn: Drawn;
  }
  interface PaletteOptions {
    drawn?: Drawn;
  }
}

/** The one source of looks. Both looks are there at once, as variables; which holds is said at the page's root. */
export const theme: Theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme', cssVarPrefix: 'ink' },
  colorSchemes: { light: { palette: inks.light }, dark: { palette: inks.dark } },
  shape: { borderRadius: 10 },
  typography: {
    fontFamily: sans,
    button: { textTransform: 'none', fontWeight: 600, fontSize: '1rem', lineHeight: 1.5 },
  },
  components,
});

/** The colours of a look as they are, for what cannot take variables. */
export const paletteOf = (mode: Mode): Palette => {
  const palette = theme.colorSchemes[mode]?.palette;
  if (!palette) throw new Error(`no look is called ${mode}`);
  return { ...theme.palette, ...palette, mode };
};
