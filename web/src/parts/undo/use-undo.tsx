import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import { useCallback } from 'react';

/** Tells what was done, with a way to undo it, for as long as somebody may still think of it. */
export function useUndo(): (words: string, undo: () => void) => void {
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return useCallback(
    (words, undo) => {
      enqueueSnackbar(words, {
        action: (key) => (
          <Button
            variant="text"
            sx={{ color: 'inherit', textDecoration: 'underline' }}
            onClick={() => {
              closeSnackbar(key);
              undo();
            }}
          >
            Undo
          </Button>
        ),
      });
    },
    [enqueueSnackbar, closeSnackbar],
  );
}
