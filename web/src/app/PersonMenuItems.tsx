import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useNavigate } from 'react-router';
import { profileChanged } from '../foundation/profile-slice.ts';
import { useAppDispatch, useAppSelector } from '../foundation/store.ts';
import { useMode } from '../foundation/use-look.ts';
import { useSignOut } from '../foundation/use-sign-out.ts';
import { keysToggled } from '../foundation/view-slice.ts';

/** Their profile, the look, the keys, and the way out. */
export default function PersonMenuItems({ at, onClose }: { at: HTMLElement; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const isDark = useMode() === 'dark';
  const signOut = useSignOut();
  const waiting = useAppSelector((s) => s.view.version === 'waiting');
  const does = (act: () => void) => () => {
    onClose();
    act();
  };
  return (
    <Menu anchorEl={at} open onClose={onClose}>
      {waiting && <MenuItem disabled>A new version waits until no walk is open</MenuItem>}
      <MenuItem onClick={does(() => void navigate('/profile'))}>Your profile</MenuItem>
      <MenuItem onClick={does(() => dispatch(profileChanged({ look: isDark ? 'light' : 'dark' })))}>
        {isDark ? 'Light look' : 'Dark look, for plant rooms'}
      </MenuItem>
      <MenuItem onClick={does(() => dispatch(keysToggled()))}>Help</MenuItem>
      <MenuItem onClick={does(() => void signOut())}>Sign out</MenuItem>
    </Menu>
  );
}
