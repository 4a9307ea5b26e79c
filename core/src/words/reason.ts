import { assertNever } from '../base/result.ts';
import type { Reason } from '../unit/plate.ts';

/** Why a variant fits, in words. */
export function reasonWords(reason: Reason): string {
  switch (reason.kind) {
    case 'model':
      return `model number fits ${reason.pattern}`;
    case 'serial':
      return `serial number from ${reason.from} to ${reason.to}`;
    case 'software':
      return `software ${reason.from ? `${reason.from} and up` : ''}${reason.from && reason.below ? ', ' : ''}${reason.below ? `below ${reason.below}` : ''}`;
    case 'option':
      return `${reason.option} ${reason.value}`;
    case 'only-one':
      return 'there is only this one';
    default:
      return assertNever(reason);
  }
}
