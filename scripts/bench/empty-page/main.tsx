import AppBar from '@mui/material/AppBar';
import BottomNavigation from '@mui/material/BottomNavigation';
import Button from '@mui/material/Button';
import CssBaseline from '@mui/material/CssBaseline';
import InputBase from '@mui/material/InputBase';
import { createTheme, ThemeProvider } from '@mui/material/styles';
import { configureStore } from '@reduxjs/toolkit';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { createBrowserRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { z } from 'zod';

// what every page of the application stands on, and nothing else: what its first load is measured against
const Person = z.object({ name: z.string() });
const api = createApi({
  baseQuery: fetchBaseQuery({ baseUrl: '/api/v1' }),
  endpoints: (build) => ({
    person: build.query({ query: () => '/session', transformResponse: (said) => Person.safeParse(said).data ?? null }),
  }),
});
const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer },
  middleware: (defaults) => defaults().concat(api.middleware),
});

function Page() {
  api.usePersonQuery(undefined);
  return (
    <>
      <AppBar position="static" />
      <InputBase id="seen" />
      <Button>Go on</Button>
      <BottomNavigation />
    </>
  );
}
const router = createBrowserRouter([{ path: '*', element: <Page /> }]);
const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <Provider store={store}>
      <ThemeProvider theme={createTheme({ cssVariables: true })}>
        <CssBaseline />
        <RouterProvider router={router} />
      </ThemeProvider>
    </Provider>,
  );
