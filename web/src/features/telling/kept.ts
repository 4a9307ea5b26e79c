import { type Answers, noAnswers } from '@wire-trail/core';

/** What one person said of a unit, as it was brought. */
export type Telling = Readonly<{ id: number; who: string; text: string }>;
/** The tellings of a unit on this device, with what was answered of them. */
export type Kept = Readonly<{ tellings: readonly Telling[]; answers: Answers }>;

const keyOf = (family: string): string => `wire-trail-tellings:${family}`;
const blank: Kept = { tellings: [{ id: 1, who: '', text: '' }], answers: noAnswers };

export function keptTellings(family: string): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(family)) ?? 'null') as Kept | null;
    return kept && kept.tellings.length > 0 ? kept : blank;
  } catch {
    return blank;
  }
}

/** Keeps them; where the device has no room for so much, they last as long as the page. */
export function keepTellings(family: string, kept: Kept): void {
  try {
    localStorage.setItem(keyOf(family), JSON.stringify(kept));
  } catch {
    localStorage.removeItem(keyOf(family));
  }
}

/** What a file is called, without its ending: who told it, until somebody says better. */
export const whoOf = (file: string): string => file.replace(/\.[a-z0-9]+$/i, '').slice(0, 60);

/** The words for a telling nobody named. */
export const whoWords = ({ who, id }: Telling): string => (who.trim() === '' ? `Telling ${id}` : who);
