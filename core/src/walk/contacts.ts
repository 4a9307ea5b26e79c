import { scopes } from '../base/text.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Contact } from '../model/family.ts';
import { familyEntry } from '../model/select.ts';
import type { Permit } from '../unit/may-act.ts';
import type { Walk } from './state.ts';

/** What a school adds to what its families say: whom to ring for any unit, and the country it works in. */
export type SchoolContacts = Readonly<{ contacts?: readonly Contact[] | undefined; country?: string | undefined }>;

const isSame = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * Whom to ring for work that needs this: those whose work it is, of the trade that is named first, then the nearest scope,
 * the family's own before the school's. Another country's are left out where the school's is known.
 */
export function contactsFor(bundle: Bundle, needs: Permit, school: SchoolContacts = {}): Contact[] {
  const far = (c: Contact): number => scopes.indexOf(c.for) - scopes.indexOf(needs.scope);
  const isTheirs = ({ trade }: Contact): boolean => trade !== undefined && needs.trades.some((t) => isSame(t, trade));
  const isOther = ({ trade }: Contact): boolean => trade !== undefined && needs.trades.length > 0;
  const { country } = school;
  return [...(familyEntry(bundle).contacts ?? []), ...(school.contacts ?? [])]
    .filter((c) => isTheirs(c) || (far(c) >= 0 && !isOther(c)))
    .filter((c) => country === undefined || c.country === undefined || isSame(c.country, country))
    .sort((a, b) => Number(isTheirs(b)) - Number(isTheirs(a)) || far(a) - far(b));
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
