import { createTheme, type Theme } from '@mui/material/styles';

export type Mode = 'light' | 'dark';

/** The component library in the application's own look; colours as in look.css. */
export function themeOf(mode: Mode): Theme {
  const light = mode === 'light';
  return createTheme({
    palette: {
      mode,
      primary: { main: light ? '#a34c1c' : '#e58a49' },
      secondary: { main: light ? '#1f4a41' : '#9cc9b8' },
      info: { main: light ? '#1f4a41' : '#9cc9b8' },
      success: { main: light ? '#1c7a4f' : '#5cc892' },
      warning: { main: light ? '#8a5200' : '#e5b04f' },
      error: { main: light ? '#b3261e' : '#ff8a7d' },
      background: { default: light ? '#f4f0e7' : '#12191a', paper: light ? '#fbf9f4' : '#1a2324' },
      text: { primary: light ? '#1d2b2a' : '#f0eadc', secondary: light ? '#56625f' : '#9fb0aa' },
      divider: light ? '#d5ccba' : '#34423f',
    },
    shape: { borderRadius: 10 },
    typography: {
      fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
      button: { textTransform: 'none', fontWeight: 600 },
    },
    components: {
      MuiButton: { defaultProps: { disableElevation: true }, styleOverrides: { root: { minHeight: 44 } } },
      MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    },
  });
}
