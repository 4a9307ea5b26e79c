/** Whether the person asked for as little motion as can be. */
export const wantsStill = (): boolean =>
  typeof matchMedia !== 'undefined' && matchMedia('(prefers-reduced-motion: reduce)').matches;
