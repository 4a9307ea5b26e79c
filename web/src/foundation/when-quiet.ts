/** How long a busy page may put off what can wait, in ms. */
const atMost = 4000;
/** Where the browser does not tell when it has time. */
const guess = 800;

/** Does something once the page has shown what was asked for and has time; gives what calls it off. */
export function whenQuiet(work: () => void): () => void {
  if (typeof requestIdleCallback !== 'function') {
    const waiting = setTimeout(work, guess);
    return () => clearTimeout(waiting);
  }
  const waiting = requestIdleCallback(work, { timeout: atMost });
  return () => cancelIdleCallback(waiting);
}
