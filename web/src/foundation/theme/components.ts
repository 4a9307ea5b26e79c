import type { ThemeOptions } from '@mui/material/styles';
import { ring } from './inks.ts';

declare module '@mui/material/Button' {
  interface ButtonPropsSizeOverrides {
    /** For gloves: what a walk needs. */
    glove: true;
    /** For a desk full of them. */
    dense: true;
    /** Within a text: it looks like words of it. */
    inline: true;
    /** An icon over its word. */
    rail: true;
  }
}

/** How each component looks in this house: nobody should see it as it comes. */
export const components: ThemeOptions['components'] = {
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
      {
        props: { size: 'inline' },
        style: {
          display: 'inline',
          minHeight: 0,
          padding: 0,
          font: 'inherit',
          color: 'inherit',
          textAlign: 'inherit',
          verticalAlign: 'baseline',
          textDecoration: 'underline',
          textUnderlineOffset: '3px',
        },
      },
      {
        props: { size: 'rail' },
        style: {
          display: 'grid',
          placeItems: 'center',
          placeContent: 'center',
          gap: '0.15rem',
          width: '100%',
          minHeight: 58,
          padding: '0.25rem',
          borderRadius: 'var(--round-3)',
          color: 'inherit',
          fontSize: '0.8125rem',
          lineHeight: 1.2,
          overflowWrap: 'anywhere',
          '&.active': { background: 'var(--paper)', color: 'var(--ink)' },
        },
      },
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
  MuiAccordionSummary: {
    styleOverrides: { root: { minHeight: 48, font: 'inherit', fontWeight: 600, padding: '0 1.15rem' } },
  },
  MuiTableCell: {
    styleOverrides: {
      root: { borderColor: 'var(--line)', padding: '0.5rem 0.6rem 0.5rem 0', verticalAlign: 'top', font: 'inherit' },
      head: { color: 'var(--soft)', fontSize: '0.8125rem', fontWeight: 600 },
    },
  },
  MuiCheckbox: { defaultProps: { disableRipple: true }, styleOverrides: { root: { padding: '0.4rem' } } },
  MuiAppBar: {
    defaultProps: { position: 'static', elevation: 0 },
    styleOverrides: {
      root: { background: 'var(--sheet)', color: 'var(--ink)', borderBottom: '1px solid var(--line)' },
    },
  },
  MuiBreadcrumbs: { styleOverrides: { root: { whiteSpace: 'nowrap' }, ol: { flexWrap: 'nowrap' } } },
  MuiToolbar: {
    styleOverrides: {
      root: {
        minHeight: 56,
        gap: '1rem',
        padding: '0 1.4rem',
        '@media (max-width: 899px)': { padding: '0 0.5rem 0 0.8rem' },
        '& .row': { flexWrap: 'nowrap', whiteSpace: 'nowrap' },
        '& .MuiTabs-root': { alignSelf: 'stretch', margin: 0, border: 0 },
        '& .MuiTab-root': { padding: '0.6rem', fontSize: '0.9375rem' },
      },
    },
  },
  MuiBottomNavigation: {
    styleOverrides: {
      root: {
        position: 'fixed',
        inset: 'auto 0 0',
        zIndex: 5,
        height: 'calc(64px + env(safe-area-inset-bottom))',
        paddingBottom: 'env(safe-area-inset-bottom)',
        borderTop: '1px solid var(--line)',
      },
    },
  },
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
};
