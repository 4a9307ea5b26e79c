import type { ControllerId } from '../base/ids.ts';
import { type Shown, sameShown } from '../model/shown.ts';
import { onSign } from './transitions.ts';
import { scheduleSign, setOver, type Turn } from './turn.ts';

/** How long a beep or another single sound stays on. */
const soundMs = 220;
/** Signs that confirm a gesture go over to what the mode shows after this. */
const confirmMs = 2500;

/** Shows a sign that an attempt brings on, now or when it is due. */
export function bringSign(turn: Turn, controller: ControllerId, at: number, shown: Shown): void {
  if (at <= turn.w.at) showSign(turn, controller, turn.w.at, shown);
  else scheduleSign(turn, { controller, at, sign: shown.sign, shown });
}

function showSign(turn: Turn, controller: ControllerId, at: number, shown: Shown): void {
  const { w, plan } = turn;
  // two gestures under way wait for the same sign: it comes once
  const already = w.over.get(shown.sign);
  if (already && already.at === at && sameShown(already.shown, shown)) return;
  setOver(turn, shown.sign, { shown, at, controller });
  turn.effects.push({ at, kind: 'sign', shown });
  const { sign } = shown;
  if (shown.kind === 'sound' && shown.state === 'on')
    scheduleSign(turn, { controller, at: at + soundMs, sign, shown: null });
  else if (!w.attempts.some((a, i) => a && plan.gestures[i]?.controller === controller))
    scheduleSign(turn, { controller, at: at + confirmMs, sign, shown: null });
  onSign(turn, shown);
}

/** Takes the sign that is due first. */
export function takeScheduled(turn: Turn, due: number): void {
  const { w } = turn;
  const [cue, ...rest] = w.scheduled;
  if (!cue) return;
  w.scheduled = rest;
  if (cue.shown) showSign(turn, cue.controller, cue.at, cue.shown);
  else if ((w.over.get(cue.sign)?.at ?? due) < due) setOver(turn, cue.sign, null);
}

/** What an attempt has brought on goes out some time after it is over. */
export function letGoOut(turn: Turn, controller: ControllerId): void {
  for (const [sign, over] of turn.w.over)
    if (over.controller === controller && over.shown.kind !== 'sound')
      scheduleSign(turn, { controller, at: turn.w.at + confirmMs, sign, shown: null });
}
