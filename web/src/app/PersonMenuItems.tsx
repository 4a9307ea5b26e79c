import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useNavigate } from 'react-router';
import { profileChanged } from '../foundation/profile-slice.ts';
import { useAppDispatch, useAppSelector } from '../foundation/store.ts';
import { useMode } from '../foundation/use-look.ts';
import { keysToggled } from '../foundation/view-slice.ts';

type Asked = Readonly<{ at: HTMLElement; onClose: () => void; onLeave: () => void }>;

/** Their profile, the look, the keys, and the way out. */
export default function PersonMenuItems({ at, onClose, onLeave }: Asked) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const isDark = useMode() === 'dark';
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
      <MenuItem onClick={does(onLeave)}>Sign out</MenuItem>
    </Menu>
  );
}
