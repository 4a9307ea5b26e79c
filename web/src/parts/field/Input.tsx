import InputBase from '@mui/material/InputBase';
import { styled } from '@mui/material/styles';

/** A box to type into, one line or several; what it is for stands above it, in its label. */
export const Input = styled(InputBase)({
  minHeight: 44,
  lineHeight: 1.45,
  fontWeight: 400,
  background: 'var(--sheet)',
  border: '1px solid var(--unit-line)',
  borderRadius: 'var(--round-2)',
  '&:hover:not(.Mui-focused):not(.Mui-error)': { borderColor: 'var(--ink)' },
  '&.Mui-focused': { outline: '3px solid var(--copper)', outlineOffset: 2 },
  '&.Mui-error': { border: '2px solid var(--bad)' },
  '&.Mui-disabled': { opacity: 0.5 },
  '&.mono': { fontFamily: 'var(--mono)' },
  '& .MuiInputBase-input': { height: 'auto', padding: '0.55rem 0.7rem', textAlign: 'inherit' },
  '& .MuiInputBase-input::placeholder': { color: 'var(--soft)', opacity: 1 },
  '& .MuiInputBase-input:focus-visible': { outline: 'none' },
  '&.MuiInputBase-multiline': { padding: 0 },
  // as tall as what stands in it, measured by the browser itself and not anew with every letter
  '& textarea': { fieldSizing: 'content', minHeight: '3.4em', maxHeight: '11em', resize: 'vertical' },
});
