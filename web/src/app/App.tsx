import CssBaseline from '@mui/material/CssBaseline';
import GlobalStyles from '@mui/material/GlobalStyles';
import { StyledEngineProvider, ThemeProvider } from '@mui/material/styles';
import { type Role, roleAtLeast } from '@wire-trail/core';
import { lazy, type ReactNode, Suspense } from 'react';
import { createBrowserRouter, Navigate, Outlet, useLocation } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { TrailStartPage } from '../features/trail/TrailStartPage.tsx';
import { useSync } from '../foundation/device/use-sync.ts';
import { useAppSelector } from '../foundation/store.ts';
import { base } from '../foundation/theme/base.ts';
import { theme } from '../foundation/theme/theme.ts';
import { useLook } from '../foundation/use-look.ts';
import { useSession } from '../foundation/use-session.ts';
import { Loading } from '../parts/states/States.tsx';
import { Crash } from './Crash.tsx';
import { Shell } from './Shell.tsx';

// a technician's first load holds the start of the trail only; the rest comes when it is opened, or just before
const SignInPage = lazy(() => import('../features/sign-in/SignInPage.tsx'));
const NewPasswordPage = lazy(() => import('../features/sign-in/NewPasswordPage.tsx'));
const WalkPage = lazy(() => import('../features/trail/WalkPage.tsx'));
const ShelfPage = lazy(() => import('../features/shelf/ShelfPage.tsx'));
const FamilyPage = lazy(() => import('../features/shelf/FamilyPage.tsx'));
const EntryEditorPage = lazy(() => import('../features/entry-editor/EntryEditorPage.tsx'));
const LibraryPage = lazy(() => import('../features/shelf/LibraryPage.tsx'));
const PlayPage = lazy(() => import('../features/play/PlayPage.tsx'));
const WhichPage = lazy(() => import('../features/which/WhichPage.tsx'));
const MachinePage = lazy(() => import('../features/machine/MachinePage.tsx'));
const BenchPage = lazy(() => import('../features/bench/BenchPage.tsx'));
const ChangeSetPage = lazy(() => import('../features/bench/ChangeSetPage.tsx'));
const LogPage = lazy(() => import('../features/log/LogPage.tsx'));
const LoggedWalkPage = lazy(() => import('../features/log/LoggedWalkPage.tsx'));
const ProfilePage = lazy(() => import('../features/profile/ProfilePage.tsx'));
const StepsPage = lazy(() => import('../features/shelf/steps/StepsPage.tsx'));
const DifferencesPage = lazy(() => import('../features/shelf/generation/DifferencesPage.tsx'));
const TellingPage = lazy(() => import('../features/telling/TellingPage.tsx'));
const NotFound = lazy(() => import('./NotFound.tsx'));
const SettingsPage = lazy(() => import('../features/settings/SettingsPage.tsx'));

function SignedIn() {
  const session = useAppSelector((s) => s.session);
  const { pathname, search, hash } = useLocation();
  useSync();
  if (session.status === 'asking') return <Loading what="your sign-in" />;
  // where somebody wanted to go is kept over the sign-in
  if (session.status === 'signed-out')
    return <Navigate to="/sign-in" replace state={{ to: pathname + search + hash }} />;
  return <Outlet />;
}

function For({ least }: { least: Role }) {
  const session = useAppSelector((s) => s.session);
  if (session.status !== 'signed-in' || !roleAtLeast(session.user.role, least)) return <Navigate to="/" replace />;
  return <Outlet />;
}

function Home() {
  const session = useAppSelector((s) => s.session);
  const isTrainer = session.status === 'signed-in' && roleAtLeast(session.user.role, 'trainer');
  return <Navigate to={isTrainer ? '/shelf' : '/trail'} replace />;
}

const later = (page: ReactNode) => <Suspense fallback={<Loading what="the page" />}>{page}</Suspense>;

const router = createBrowserRouter([
  { path: '/sign-in', element: later(<SignInPage />), errorElement: <Crash /> },
  { path: '/new-password', element: later(<NewPasswordPage />), errorElement: <Crash /> },
  {
    element: <SignedIn />,
    errorElement: <Crash />,
    children: [
      // without the areas: what is pressed there before the first page stands would be lost
      { path: '/', element: <Home /> },
      {
        element: <Shell />,
        // a page that breaks leaves the areas and the state of the connection where they are
        children: [
          {
            errorElement: <Crash />,
            children: [
              { path: '/trail', element: <TrailStartPage /> },
              { path: '/trail/:walk', element: later(<WalkPage />) },
              { path: '/shelf', element: later(<ShelfPage />) },
              { path: '/shelf/:family', element: later(<FamilyPage />) },
              { path: '/play/:family', element: later(<PlayPage />) },
              { path: '/which', element: later(<WhichPage />) },
              { path: '/machines/:family/:serial', element: later(<MachinePage />) },
              { path: '/log', element: later(<LogPage />) },
              { path: '/log/:walk', element: later(<LoggedWalkPage />) },
              {
                element: <For least="trainer" />,
                children: [
                  { path: '/shelf/:family/steps', element: later(<StepsPage />) },
                  { path: '/shelf/:family/differences', element: later(<DifferencesPage />) },
                  { path: '/shelf/:family/telling', element: later(<TellingPage />) },
                  { path: '/shelf/:family/:kind/:id', element: later(<EntryEditorPage />) },
                  { path: '/library', element: later(<LibraryPage />) },
                  { path: '/bench', element: later(<BenchPage />) },
                  { path: '/bench/:set', element: later(<ChangeSetPage />) },
                ],
              },
              { element: <For least="admin" />, children: [{ path: '/settings', element: later(<SettingsPage />) }] },
              { path: '/profile', element: later(<ProfilePage />) },
              { path: '*', element: later(<NotFound />) },
            ],
          },
        ],
      },
    ],
  },
]);

function Look() {
  useLook();
  return null;
}

export function App() {
  useSession();
  return (
    // what a place says of its own looks comes after what all components say
    <StyledEngineProvider injectFirst>
      <ThemeProvider theme={theme} defaultMode="system" storageManager={null}>
        <CssBaseline enableColorScheme />
        <GlobalStyles styles={base} />
        <Look />
        <RouterProvider router={router} />
      </ThemeProvider>
    </StyledEngineProvider>
  );
}
