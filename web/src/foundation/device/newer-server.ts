const event = 'wire-trail-newer';

/** Tells the page that the server sent what this version of it cannot read. */
export const announceNewer = (): void => void window.dispatchEvent(new Event(event));

/** Listens for that; gives what stops it. */
export function onNewer(then: () => void): () => void {
  window.addEventListener(event, then);
  return () => window.removeEventListener(event, then);
}
