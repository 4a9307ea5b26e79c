import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/atkinson-hyperlegible-next';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './app/App.tsx';
import { registerServiceWorker } from './app/service-worker.ts';
import { onEnded, onNewer } from './foundation/device/told-by-server.ts';
import { wipeDevice } from './foundation/device/wipe.ts';
import { forgetPerson } from './foundation/forget-person.ts';
import './foundation/look.css';
import { makeStore } from './foundation/store.ts';
import { endedMet, newerMet, versionSaid } from './foundation/view-slice.ts';

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
const store = makeStore();
onNewer(() => store.dispatch(newerMet()));
onEnded(() => {
  void wipeDevice().finally(() => {
    store.dispatch(endedMet(true));
    forgetPerson(store.dispatch);
  });
});
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <App />
    </Provider>
  </StrictMode>,
);
if (import.meta.env.PROD) void registerServiceWorker((version) => store.dispatch(versionSaid(version)));
