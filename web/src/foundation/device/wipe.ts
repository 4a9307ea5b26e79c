import { rememberUser } from '../remembered-user.ts';
import { clearStore } from './database.ts';
import { forgetMark } from './kept-mark.ts';

/** What the browser keeps of answers; the application itself stays. */
const ofAnswers = 'pictures';

/** Takes everything of the school from this device: bundles, walks, what waits, pictures, and who was here. */
export async function wipeDevice(): Promise<void> {
  rememberUser(null);
  for (const key of Object.keys(localStorage)) if (key.startsWith('wire-trail')) localStorage.removeItem(key);
  await Promise.allSettled([clearStore(), globalThis.caches?.delete(ofAnswers)]);
  // at last: one that stays behind would say that something was cleared
  forgetMark();
}
