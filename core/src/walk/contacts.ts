import type { Scope } from '../base/text.ts';
import { scopes } from '../base/text.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Contact } from '../model/family.ts';
import { familyEntry } from '../model/select.ts';
import type { Walk } from './state.ts';

/** Whom to ring for work of this scope: those whose work it is, the nearest scope first; in a country where one is said. */
export function contactsFor(bundle: Bundle, needs: Scope, country?: string): Contact[] {
  const far = (c: Contact): number => scopes.indexOf(c.for) - scopes.indexOf(needs);
  return (familyEntry(bundle).contacts ?? [])
    .filter((c) => far(c) >= 0 && (country === undefined || c.country === undefined || c.country === country))
    .sort((a, b) => far(a) - far(b));
}

/** What somebody will ask for, with what is known of it here; null is still to be found out. */
export function askedDetails(
  contact: Contact,
  walk: Pick<Walk, 'unit' | 'complaint'>,
  codes: readonly string[],
  readings: number,
): Array<Readonly<{ what: string; known: string | null }>> {
  const unit = walk.unit;
  const known: Readonly<Record<Contact['asks'][number], readonly [string, string | null]>> = {
    model: ['model number', unit?.model || null],
    serial: ['serial number', unit && !unit.serialUnread ? unit.serial : null],
    software: ['software', unit?.software ?? null],
    code: ['codes in full', codes.length > 0 ? codes.join(', ') : null],
    readings: ['readings', readings > 0 ? `${readings}, below` : null],
    bought: ['age or build year', walk.complaint?.age ?? null],
  };
  return contact.asks.map((ask) => ({ what: known[ask][0], known: known[ask][1] }));
}
