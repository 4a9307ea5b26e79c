import { type Version, type Worker, watchVersions } from '../foundation/device/new-version.ts';
import { onNewer } from '../foundation/device/told-by-server.ts';

/** Registers what keeps the application on this device, and tells of new versions of it. */
export async function registerServiceWorker(say: (version: Version) => void): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const { Workbox } = await import('workbox-window');
  const box = new Workbox('/sw.js');
  const worker: Worker = {
    onWaiting: (then) => box.addEventListener('waiting', then),
    onTaken: (then) => {
      // the very first one takes over a page that was loaded by nothing older
      let hadOne = navigator.serviceWorker.controller !== null;
      box.addEventListener('controlling', () => {
        if (hadOne) then();
        hadOne = true;
      });
    },
    onNewer,
    register: async () => void (await box.register()),
    look: () => box.update(),
    take: () => box.messageSkipWaiting(),
  };
  await watchVersions(worker, say, () => location.reload());
}
