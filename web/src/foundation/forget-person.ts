import { api } from './api.ts';
import { rememberUser } from './remembered-user.ts';
import { signedOut } from './session-slice.ts';
import type { AppDispatch } from './store.ts';

/** Has this page and this device forget whoever was signed in, and all the server had told them. */
export function forgetPerson(dispatch: AppDispatch): void {
  rememberUser(null);
  dispatch(signedOut());
  dispatch(api.util.resetApiState());
}
