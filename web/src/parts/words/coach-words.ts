import type { CoachCard, HandAct, Moment, Panel, Shown } from '@wire-trail/core';

/** What a control or sign is called on this panel. */
export function partName(panel: Panel, id: string): string {
  for (const face of panel.faces) {
    const found = face.controls.find((c) => c.id === id) ?? face.signs.find((s) => s.id === id);
    if (found) return found.label;
  }
  return id;
}

const placeName = (panel: Panel, act: HandAct): string => {
  for (const face of panel.faces) {
    const control = face.controls.find((c) => c.id === act.control);
    if (control?.mechanism.kind === 'places')
      return control.mechanism.places.find((p) => p.id === act.place)?.label ?? act.place ?? '';
  }
  return act.place ?? '';
};

/** The big word of a card: what the hand does. */
export function actBig(act: HandAct, panel: Panel): string {
  switch (act.act) {
    case 'press':
      return 'press';
    case 'hold':
      return act.place ? `hold ${placeName(panel, act)}` : 'hold';
    case 'let-go':
      return 'let go';
    case 'set':
      return placeName(panel, act);
    case 'turn-right':
      return `${act.times} right`;
    case 'turn-left':
      return `${act.times} left`;
    case 'sweep':
      return act.times === 1 ? 'one full turn' : `${act.times} full turns`;
    case 'do':
      return act.words ?? '';
  }
}

/** What the card is about, in one line above the big words. */
export function cardLead(card: CoachCard, panel: Panel): string {
  const controls = [
    ...new Set(card.acts.map((a) => (a.control === 'any' ? 'any key' : a.control ? partName(panel, a.control) : ''))),
  ].filter(Boolean);
  if (card.watch.length > 0)
    return card.must === 'may' ? 'It may show' : card.must === 'must-not' ? 'It must not show' : 'Now it must show';
  const since = card.windowFrom ? `${momentWords(card.windowFrom, panel)}: ` : '';
  const until = card.holdUntil ? `${momentWords(card.holdUntil, panel)}: ` : '';
  return `${since}${until}${controls.join(' and ') || (withoutControl[card.step.kind] ?? '')}`;
}

/** What a card without a control is about. */
const withoutControl: Partial<Record<CoachCard['step']['kind'], string>> = {
  rest: 'Wait',
  choose: 'On the screen, choose',
  'at-place': 'Go to',
  say: 'Know this',
};

export function momentWords(moment: Moment, panel: Panel): string {
  switch (moment.kind) {
    case 'power-on':
      return 'From power-on';
    case 'step-before':
      return 'Straight after';
    case 'sign': {
      const name = partName(panel, moment.shown.sign);
      if (moment.shown.kind === 'sound')
        return moment.shown.state === 'off'
          ? `When the ${name} stops`
          : `At ${moment.nth > 1 ? `the ${ordinal(moment.nth)} ` : 'the '}${name === 'beeper' ? 'beep' : name}`;
      return `When ${name} shows`;
    }
  }
}

const ordinal = (n: number): string => ['', 'first', 'second', 'third', 'fourth', 'fifth'][n] ?? `${n}th`;

/** What signs show, in words: alike lamps are told together. */
export function shownWords(shown: readonly Shown[], panel: Panel): string {
  const groups = new Map<string, string[]>();
  for (const s of shown) {
    const state =
      s.kind === 'lamp'
        ? `${{ dark: 'dark', lit: 'lit', slow: 'blinking slowly', fast: 'blinking fast' }[s.state]}${s.state !== 'dark' && s.colour ? ` ${s.colour}` : ''}`
        : s.kind === 'text'
          ? `“${s.text}”`
          : s.state === 'on'
            ? 'heard'
            : 'silent';
    groups.set(state, [...(groups.get(state) ?? []), partName(panel, s.sign)]);
  }
  return [...groups].map(([state, names]) => `${names.join(', ')} ${state}`).join('; ');
}
