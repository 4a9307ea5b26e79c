import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase';
import { styled } from '@mui/material/styles';

/** A whole card, line or place that is pressed: what it looks like is said where it stands. */
export const Pressable = styled(ButtonBase)<ButtonBaseProps>({
  alignItems: 'normal',
  justifyContent: 'normal',
  font: 'inherit',
  color: 'inherit',
});
