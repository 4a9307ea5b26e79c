import { styled } from '@mui/material/styles';
import { MaterialDesignContent, SnackbarProvider } from 'notistack';
import type { ReactNode } from 'react';

const Look = styled(MaterialDesignContent)({
  '&.notistack-MuiContent-default': {
    background: 'var(--ink)',
    color: 'var(--paper)',
    borderRadius: 'var(--round-2)',
    font: '600 1rem var(--sans)',
    boxShadow: 'var(--shade)',
  },
});

/** Where what was just done is told, above whatever is pinned at the foot of the page. */
export function Told({ children }: { children: ReactNode }) {
  return (
    <SnackbarProvider
      Components={{ default: Look }}
      maxSnack={2}
      autoHideDuration={8000}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      classes={{ containerRoot: 'told' }}
    >
      {children}
    </SnackbarProvider>
  );
}
