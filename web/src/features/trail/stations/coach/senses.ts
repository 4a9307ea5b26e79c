import { useEffect } from 'react';
import { type Profile, profileChanged, type Sense } from '../../../../foundation/profile-slice.ts';
import { useAppDispatch, useAppSelector } from '../../../../foundation/store.ts';

export type SensesOn = Profile['senses'];

/** Which senses the coach speaks to. */
export function useSenses(): readonly [SensesOn, (sense: Sense) => void] {
  const dispatch = useAppDispatch();
  const on = useAppSelector((s) => s.profile.own.senses);
  return [on, (sense) => dispatch(profileChanged({ senses: { ...on, [sense]: !on[sense] } }))];
}

let audio: AudioContext | null = null;
const pitches = { act: 660, last: 990, start: 520, end: 880, tick: 330 } as const;
export type Beaten = keyof typeof pitches;

/** A beat, to every sense that is on. What the device cannot do it leaves out. */
export function beat(kind: Beaten, on: SensesOn): void {
  if (on.vibration && kind !== 'tick') navigator.vibrate?.(kind === 'act' ? 40 : 110);
  if (!on.sound || typeof AudioContext === 'undefined') return;
  audio ??= new AudioContext();
  const at = audio.currentTime;
  const tone = audio.createOscillator();
  const level = audio.createGain();
  tone.frequency.value = pitches[kind];
  level.gain.setValueAtTime(kind === 'tick' ? 0.05 : 0.25, at);
  level.gain.exponentialRampToValueAtTime(0.001, at + (kind === 'end' ? 0.3 : 0.12));
  tone.connect(level).connect(audio.destination);
  tone.start(at);
  tone.stop(at + 0.32);
}

/** Says a line aloud, over what is still being said. */
export function say(words: string, on: SensesOn): void {
  if (!on.speech || typeof speechSynthesis === 'undefined') return;
  speechSynthesis.cancel();
  const line = new SpeechSynthesisUtterance(words);
  line.lang = 'en';
  line.rate = 1.1;
  speechSynthesis.speak(line);
}
export const hush = (): void => {
  if (typeof speechSynthesis !== 'undefined') speechSynthesis.cancel();
};

/** Keeps the screen from going dark while the coach is up; where that is not possible, nothing happens. */
export function useAwake(awake: boolean): void {
  useEffect(() => {
    if (!awake || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const ask = () =>
      void navigator.wakeLock
        .request('screen')
        .then((got) => {
          if (over) void got.release();
          else lock = got;
        })
        .catch(() => {});
    const back = () => document.visibilityState === 'visible' && ask();
    ask();
    document.addEventListener('visibilitychange', back);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', back);
      void lock?.release().catch(() => {});
    };
  }, [awake]);
}
