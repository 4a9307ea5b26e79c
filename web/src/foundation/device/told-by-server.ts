/** What the server may tell the whole page: it is newer than this, or this device was signed out from afar. */
type Told = 'wire-trail-newer' | 'wire-trail-ended';

const announce = (told: Told) => (): void => void window.dispatchEvent(new Event(told));
const on =
  (told: Told) =>
  (then: () => void): (() => void) => {
    window.addEventListener(told, then);
    return () => window.removeEventListener(told, then);
  };

/** Tells the page that the server sent what this version of it cannot read. */
export const announceNewer = announce('wire-trail-newer');
/** Listens for that; gives what stops it. */
export const onNewer = on('wire-trail-newer');
/** Tells the page that an admin signed this device out: what is kept here goes. */
export const announceEnded = announce('wire-trail-ended');
/** Listens for that; gives what stops it. */
export const onEnded = on('wire-trail-ended');
