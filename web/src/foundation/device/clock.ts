import { readKept } from '../kept-json.ts';

const key = 'wire-trail-clock';
/** A clock that is off by less is not called wrong, in ms. */
const fairMs = 2 * 60_000;
/** An answer that took longer than this tells too little of the time, in ms. */
const patienceMs = 10_000;

const kept = (): number => {
  const read = readKept(key);
  return typeof read === 'number' && Number.isFinite(read) ? read : 0;
};

/** Learns from an answer by how much this device's clock is off: what the server's said, between asking and being answered. */
export function learnClock(serverSays: string | null, askedAt: number, answeredAt: number): void {
  const server = Date.parse(serverSays ?? '');
  if (Number.isNaN(server) || answeredAt < askedAt || answeredAt - askedAt > patienceMs) return;
  // the header tells whole seconds: in the middle it is half of one later
  const offset = Math.round(server + 500 - (askedAt + answeredAt) / 2);
  if (Math.abs(offset - kept()) > 1000) localStorage.setItem(key, JSON.stringify(offset));
}

/** The time to stamp with: the device's own where its clock is fair; else set right, with what the clock said beside it. */
export function stampOf(now: number): Readonly<{ at: string; saidAt?: string }> {
  const offset = kept();
  const own = new Date(now).toISOString();
  return Math.abs(offset) <= fairMs ? { at: own } : { at: new Date(now + offset).toISOString(), saidAt: own };
}
