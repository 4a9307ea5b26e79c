const key = 'wire-trail-leaving';

/** Whether somebody signed out here and the server does not know yet. */
export const isLeaving = (): boolean => localStorage.getItem(key) !== null;

export function leavingMarked(is: boolean): void {
  if (is) localStorage.setItem(key, 'yes');
  else localStorage.removeItem(key);
}
