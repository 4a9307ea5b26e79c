import PersonIcon from '@mui/icons-material/PersonOutlined';
import ButtonBase from '@mui/material/ButtonBase';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { profileChanged } from '../foundation/profile-slice.ts';
import { useAppDispatch, useAppSelector } from '../foundation/store.ts';
import { useIsDark } from '../foundation/use-look.ts';
import { useSignOut } from '../foundation/use-sign-out.ts';
import { keysToggled } from '../foundation/view-slice.ts';

/** Whoever is signed in: their profile, the look, the keys, and the way out. */
export function PersonMenu({ name }: { name: string }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [at, setAt] = useState<HTMLElement | null>(null);
  const isDark = useIsDark();
  const signOut = useSignOut();
  const waiting = useAppSelector((s) => s.view.version === 'waiting');
  const does = (act: () => void) => () => {
    setAt(null);
    act();
  };
  return (
    <>
      <ButtonBase
        className="person"
        aria-label={`${name}: profile and more`}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        onClick={(e) => setAt(e.currentTarget)}
      >
        <PersonIcon />
        <span className="person-name">{name.split(' ')[0]}</span>
      </ButtonBase>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        {waiting && <MenuItem disabled>A new version waits until no walk is open</MenuItem>}
        <MenuItem onClick={does(() => void navigate('/profile'))}>Your profile</MenuItem>
        <MenuItem onClick={does(() => dispatch(profileChanged({ look: isDark ? 'light' : 'dark' })))}>
          {isDark ? 'Light look' : 'Dark look, for plant rooms'}
        </MenuItem>
        <MenuItem onClick={does(() => dispatch(keysToggled()))}>Keys</MenuItem>
        <MenuItem onClick={does(() => void signOut())}>Sign out</MenuItem>
      </Menu>
    </>
  );
}
