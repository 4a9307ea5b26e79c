/**
 * A run that never overlaps itself: asked for again meanwhile, it runs once more afterwards. One that fails says so and
 * stops none of those to come.
 */
export function oneAtATime(run: () => Promise<void>, failed: (error: unknown) => void): () => Promise<void> {
  let running = false;
  let again = false;
  return async () => {
    again = true;
    if (running) return;
    running = true;
    while (again) {
      again = false;
      await run().catch(failed);
    }
    running = false;
  };
}
