import { litAt, type Readout, type Scene, type SignId, sceneAt, schedule } from '@wire-trail/core';
import { useEffect, useMemo, useState } from 'react';
import { wantsStill } from '../../foundation/motion.ts';
import type { LampShow } from './lamp-show.ts';

/** Drawn so often in a second: a lamp of 3 Hz is seen to blink, and the page stays calm. */
const everyMs = 50;
/** With motion reduced, one stage after the other stands still for so long. */
const stillMs = 3000;

/** Where a clock of all scenes stands: one after the other, each for a whole round and three seconds at the least. */
function sceneOf(scenes: readonly Scene[], atMs: number): { scene: Scene; atMs: number } | null {
  const lasts = scenes.map((s) => Math.max(s.periodMs, stillMs));
  const all = lasts.reduce((a, b) => a + b, 0);
  let left = all > 0 ? atMs % all : 0;
  for (const [i, scene] of scenes.entries()) {
    if (left < (lasts[i] ?? 0)) return { scene, atMs: left };
    left -= lasts[i] ?? 0;
  }
  return null;
}

/**
 * A code as the unit shows it, at the real rate: what every sign shows at this moment. Of several scenes, parted by a
 * gesture, the one that is asked for, or each in turn.
 */
export function usePlay(readout: Readout | null | undefined, text: string | null, sceneIndex: number | 'in turn') {
  const scenes = useMemo<readonly Scene[]>(() => {
    const made = readout && text !== null ? schedule(readout, text) : null;
    return made?.ok ? made.value : [];
  }, [readout, text]);
  const [clock, setClock] = useState(0);
  const still = wantsStill();
  const isShown = scenes.length > 0;
  useEffect(() => {
    if (!isShown) return;
    const began = performance.now();
    const timer = setInterval(() => setClock(performance.now() - began), still ? stillMs : everyMs);
    return () => clearInterval(timer);
  }, [isShown, still]);
  const at =
    sceneIndex === 'in turn'
      ? sceneOf(scenes, clock)
      : { scene: scenes[Math.min(sceneIndex, scenes.length - 1)] ?? null, atMs: clock };
  const scene = at?.scene ?? null;
  const atMs = scene ? (at?.atMs ?? 0) % scene.periodMs : 0;
  const lamps = new Map<SignId, LampShow>();
  const texts = new Map<SignId, string>();
  const sounding = new Set<SignId>();
  for (const shown of scene ? sceneAt(scene, atMs) : []) {
    if (shown.kind === 'lamp') {
      const isLit = readout ? litAt(shown.state, clock, readout.rates) : false;
      lamps.set(shown.sign, { state: still ? shown.state : isLit ? 'lit' : 'dark', colour: shown.colour });
    }
    if (shown.kind === 'text') texts.set(shown.sign, shown.text);
    if (shown.kind === 'sound' && shown.state === 'on') sounding.add(shown.sign);
  }
  const stages = readout?.stages.filter((s) => scene?.stages.includes(s.id)) ?? [];
  return { scenes, scene, atMs, lamps, texts, sounding, label: stages.map((s) => s.label).join(', then ') || null };
}
