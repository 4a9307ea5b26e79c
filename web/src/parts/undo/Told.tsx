import GlobalStyles from '@mui/material/GlobalStyles';
import { styled } from '@mui/material/styles';
import { closeSnackbar, MaterialDesignContent, SnackbarProvider } from 'notistack';
import { type ReactNode, useEffect } from 'react';

const Look = styled(MaterialDesignContent)({
  '&.notistack-MuiContent-default': {
    background: 'var(--ink)',
    color: 'var(--paper)',
    borderRadius: 'var(--round-2)',
    font: '600 1rem var(--sans)',
    boxShadow: 'var(--shade)',
  },
});

/** What lies under it can be pressed: only its own button is in the way. */
const passThrough = {
  '.told *': { pointerEvents: 'none !important' },
  '.told button': { pointerEvents: 'auto !important' },
};

/** Whoever goes on does not think of undoing any more: it goes with the next press. */
const closeOnPress = (event: Event) => {
  if (event instanceof KeyboardEvent && ['Tab', 'Shift', 'Control', 'Meta', 'Alt'].includes(event.key)) return;
  if (!(event.target instanceof Element && event.target.closest('.notistack-SnackbarContainer'))) closeSnackbar();
};

/** Where what was just done is told, above whatever is pinned at the foot of the page. */
export function Told({ children }: { children: ReactNode }) {
  useEffect(() => {
    const presses = ['pointerdown', 'keydown'] as const;
    for (const press of presses) window.addEventListener(press, closeOnPress);
    return () => {
      for (const press of presses) window.removeEventListener(press, closeOnPress);
    };
  }, []);
  return (
    <SnackbarProvider
      Components={{ default: Look }}
      maxSnack={2}
      autoHideDuration={8000}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      classes={{ containerRoot: 'told' }}
    >
      <GlobalStyles styles={passThrough} />
      {children}
    </SnackbarProvider>
  );
}
