import DarkModeIcon from '@mui/icons-material/DarkModeOutlined';
import LightModeIcon from '@mui/icons-material/LightModeOutlined';
import Button from '@mui/material/Button';
import { roleAtLeast } from '@wire-trail/core';
import { lazy, Suspense, useState } from 'react';
import { Link, NavLink, Outlet } from 'react-router';
import { api } from '../foundation/api.ts';
import { usePageKeys } from '../foundation/keys.ts';
import { rememberUser } from '../foundation/remembered-user.ts';
import { signedOut } from '../foundation/session-slice.ts';
import { Connection } from '../parts/connection/Connection.tsx';
import { Help } from './Help.tsx';
import './shell.css';
import { useAppDispatch, useAppSelector } from '../foundation/store.ts';
import { keysToggled, modeChosen } from '../foundation/view-slice.ts';

const NewVersion = lazy(() => import('./NewVersion.tsx'));
const NewerServer = lazy(() => import('./NewerServer.tsx'));
const FindBox = lazy(() => import('../features/find/FindBox.tsx'));

const areas = [
  { to: '/trail', name: 'Trail', least: 'technician' },
  { to: '/shelf', name: 'Shelf', least: 'technician' },
  { to: '/library', name: 'Shared', least: 'trainer' },
  { to: '/bench', name: 'Bench', least: 'trainer' },
  { to: '/log', name: 'Log', least: 'technician' },
  { to: '/settings', name: 'Settings', least: 'admin' },
] as const;

/** What every page stands in: the areas a role has, the state of the connection, and the person. */
export function Shell() {
  const dispatch = useAppDispatch();
  const [finding, setFinding] = useState(false);
  const session = useAppSelector((s) => s.session);
  const dark = useAppSelector((s) => s.view.mode === 'dark');
  const version = useAppSelector((s) => s.view.version);
  const serverIsNewer = useAppSelector((s) => s.view.serverIsNewer);
  const keysShown = useAppSelector((s) => s.view.keysShown);
  const [signOut] = api.useSignOutMutation();
  usePageKeys({ '?': () => dispatch(keysToggled()), '/': () => setFinding(true) });
  if (session.status !== 'signed-in') return null;
  const { user } = session;
  const leave = async () => {
    await signOut();
    rememberUser(null);
    dispatch(signedOut());
    dispatch(api.util.resetApiState());
  };
  return (
    <div className="shell">
      <header className="top">
        <Link to="/" className="mark">
          <img src="/icon.svg" width="26" height="26" alt="" /> <span>Wire Trail</span>
        </Link>
        <nav aria-label="areas">
          {areas
            .filter((area) => roleAtLeast(user.role, area.least))
            .map((area) => (
              <NavLink key={area.to} to={area.to}>
                {area.name}
              </NavLink>
            ))}
        </nav>
        <div className="state">
          <Button variant="text" onClick={() => setFinding(true)} aria-label="find">
            <kbd>/</kbd> <span className="hide-narrow">find</span>
          </Button>
          {version === 'waiting' && <span className="tag hide-narrow">a new version waits</span>}
          <Connection />
          <Button
            variant="text"
            onClick={() => dispatch(modeChosen(dark ? 'light' : 'dark'))}
            aria-label={dark ? 'light look' : 'dark look, for plant rooms'}
          >
            {dark ? <LightModeIcon fontSize="small" /> : <DarkModeIcon fontSize="small" />}
          </Button>
          <Button variant="text" className="hide-narrow" onClick={() => dispatch(keysToggled())} aria-label="keys">
            <kbd>?</kbd>
          </Button>
          <span className="hide-narrow soft small">{user.name}</span>
          <Button variant="text" onClick={leave}>
            Sign out
          </Button>
        </div>
      </header>
      {serverIsNewer && (
        <Suspense fallback={null}>
          <NewerServer />
        </Suspense>
      )}
      <main>
        <Outlet />
      </main>
      {finding && (
        <Suspense fallback={null}>
          <FindBox onClose={() => setFinding(false)} />
        </Suspense>
      )}
      {version === 'loading' && (
        <Suspense fallback={null}>
          <NewVersion />
        </Suspense>
      )}
      {keysShown && <Help onClose={() => dispatch(keysToggled())} />}
    </div>
  );
}
