import { type CoachCard, controlsAfter, type SignId } from '@wire-trail/core';
import type { LampShow } from '../../../../parts/panel/lamp-show.ts';
import type { TrailData } from '../../trail-data.ts';

/** What the panel shows while a card is up: controls as they then stand, what to touch, what to see. */
export function panelAt(data: TrailData, cards: readonly CoachCard[], index: number) {
  const card = cards[index];
  const pointed = new Set<string>(
    card
      ? [
          ...card.acts.flatMap((a) => (a.control ? [a.control as string] : [])),
          ...card.watch.map((w) => w.sign as string),
        ]
      : [],
  );
  const lamps = new Map<SignId, LampShow>(
    card?.watch.flatMap((w) => (w.kind === 'lamp' ? [[w.sign, { state: w.state, colour: w.colour }] as const] : [])),
  );
  const texts = new Map<SignId, string>(
    card?.watch.flatMap((w) => (w.kind === 'text' ? [[w.sign, w.text] as const] : [])),
  );
  const flashing = new Set(card?.watch.flatMap((w) => (w.kind === 'text' && w.flashes ? [w.sign] : [])));
  const sounding = new Set(card?.watch.flatMap((w) => (w.kind === 'sound' && w.state === 'on' ? [w.sign] : [])));
  // the face that has what is to be touched; while a card is up, its own acts are shown as done
  const face = data.panel.faces.find((f) => f.controls.some((c) => pointed.has(c.id))) ?? data.front;
  return { face, places: controlsAfter(cards, index + 1), pointed, lamps, texts, flashing, sounding };
}
