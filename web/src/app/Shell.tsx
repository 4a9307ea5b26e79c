import FindIcon from '@mui/icons-material/Search';
import AppBar from '@mui/material/AppBar';
import BottomNavigation from '@mui/material/BottomNavigation';
import BottomNavigationAction from '@mui/material/BottomNavigationAction';
import Button from '@mui/material/Button';
import Toolbar from '@mui/material/Toolbar';
import useMediaQuery from '@mui/material/useMediaQuery';
import { roleAtLeast } from '@wire-trail/core';
import { lazy, Suspense, useState } from 'react';
import { NavLink, Outlet, useLocation } from 'react-router';
import { usePageKeys } from '../foundation/keys.ts';
import { useAppDispatch, useAppSelector } from '../foundation/store.ts';
import { findingSet, keysToggled } from '../foundation/view-slice.ts';
import { Connection } from '../parts/connection/Connection.tsx';
import { PageBarPlace } from '../parts/page-bar/PageBar.tsx';
import { areas } from './areas.ts';
import { PersonMenu } from './PersonMenu.tsx';
import { Rail } from './Rail.tsx';
import './shell.css';

const NewVersion = lazy(() => import('./NewVersion.tsx'));
const NewerServer = lazy(() => import('./NewerServer.tsx'));
const StoreCleared = lazy(() => import('./StoreCleared.tsx'));
const FindBox = lazy(() => import('../features/find/FindBox.tsx'));
const Help = lazy(() => import('./Help.tsx'));

/** What every page stands in: the areas a role has, what the page is, the state of the connection, and the person. */
export function Shell() {
  const dispatch = useAppDispatch();
  const finding = useAppSelector((s) => s.view.finding);
  const setFinding = (is: boolean) => void dispatch(findingSet(is));
  const [barPlace, setBarPlace] = useState<HTMLElement | null>(null);
  const session = useAppSelector((s) => s.session);
  const version = useAppSelector((s) => s.view.version);
  const serverIsNewer = useAppSelector((s) => s.view.serverIsNewer);
  const cleared = useAppSelector((s) => s.sync.cleared);
  const keysShown = useAppSelector((s) => s.view.keysShown);
  const isDesk = useMediaQuery('(min-width: 900px)', { noSsr: true });
  const { pathname } = useLocation();
  usePageKeys({ '?': () => dispatch(keysToggled()), '/': () => setFinding(true) });
  if (session.status !== 'signed-in') return null;
  const { user } = session;
  const own = areas.filter((area) => roleAtLeast(user.role, area.least));
  const here = own.find((area) => pathname.startsWith(area.to))?.to ?? false;
  // in a walk the phone belongs to the walk
  const isWalk = /^\/trail\/./.test(pathname);
  const isBare = isWalk && !isDesk;
  return (
    <PageBarPlace value={barPlace}>
      <div className={`shell ${isDesk ? 'desk' : 'hand'}`}>
        {isDesk && <Rail areas={own} name={user.name} />}
        <div className="shell-page">
          <AppBar position="static" color="default" elevation={0} style={isBare ? { display: 'none' } : undefined}>
            <Toolbar variant="dense">
              <div className="row page-bar" ref={setBarPlace} />
              <div className="row">
                {version === 'waiting' && <span className="tag hide-narrow">a new version waits</span>}
                <Connection />
                <Button onClick={() => setFinding(true)} aria-label="find" startIcon={<FindIcon />}>
                  {isDesk && (
                    <>
                      Find <kbd>/</kbd>
                    </>
                  )}
                </Button>
                {!isDesk && <PersonMenu name={user.name} />}
              </div>
            </Toolbar>
          </AppBar>
          {serverIsNewer && (
            <Suspense fallback={null}>
              <NewerServer />
            </Suspense>
          )}
          {cleared !== null && (
            <Suspense fallback={null}>
              <StoreCleared waited={cleared} />
            </Suspense>
          )}
          <main>
            <Outlet />
          </main>
        </div>
        {!isDesk && !isBare && (
          <BottomNavigation component="nav" aria-label="areas" value={here} showLabels>
            {own.map(({ to, name, icon: Icon }) => (
              <BottomNavigationAction key={to} component={NavLink} to={to} value={to} label={name} icon={<Icon />} />
            ))}
          </BottomNavigation>
        )}
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
        {keysShown && (
          <Suspense fallback={null}>
            <Help onClose={() => dispatch(keysToggled())} />
          </Suspense>
        )}
      </div>
    </PageBarPlace>
  );
}
