import type { ApiError } from '../../foundation/api.ts';

/** Fields a server refused, by their first name, with why. */
export const wrongsOf = (refused: ApiError): ReadonlyArray<Readonly<{ field: string; reason: string }>> =>
  (refused.fields ?? []).map(({ path, reason }) => ({ field: String(path.at(-1) ?? ''), reason }));
