import MuiSelect, { type SelectProps } from '@mui/material/Select';
import { Input } from './Input.tsx';

/** One of several, in a box like those that are typed into. */
export function Select<Value = string>(props: SelectProps<Value>) {
  return <MuiSelect {...props} input={<Input />} />;
}
