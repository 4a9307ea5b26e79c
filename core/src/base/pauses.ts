/** Work in small parts: it yields where others may come in between. */
export type InParts<T> = Generator<void, T>;

/** All of it at once; gives what it ends with. */
export function atOnce<T>(work: InParts<T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
