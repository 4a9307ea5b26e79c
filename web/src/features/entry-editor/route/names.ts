import { assertNever, type Bundle, bundleFacts, type Control, entriesOf, type Sign } from '@wire-trail/core';
import type { ScriptNames } from '../../../parts/script/script-language.ts';

const statesOf = (sign: Sign): string[] => {
  switch (sign.kind) {
    case 'lamp':
      return [
        ...new Set(['lit', 'dark', ...sign.shows.filter((s) => s !== 'pattern')]),
        ...sign.colours.map((c) => `lit ${c}`),
      ];
    case 'beeper':
    case 'felt':
      return ['on', 'off'];
    case 'bar':
    case 'segments':
    case 'text':
      return ['""'];
    default:
      return assertNever(sign);
  }
};

/** What a script of this family may name, and how the timeline draws and calls it. */
export function routeNames(bundle: Bundle) {
  const facts = bundleFacts(bundle);
  const controls = [...facts.controls.values()].map((c) => c.control);
  const signs = [...facts.signs.values()];
  const script: ScriptNames = {
    controls: controls.map((c) => ({
      id: c.id,
      label: c.label,
      places:
        c.mechanism.kind === 'places' ? c.mechanism.places : c.mechanism.kind === 'clicks' ? c.mechanism.rests : [],
    })),
    signs: signs.map((s) => ({ id: s.id, label: s.label, states: statesOf(s) })),
    modes: entriesOf(bundle, 'mode').map((m) => ({ id: m.id, name: m.name })),
    instruments: entriesOf(bundle, 'instrument').map((i) => ({ id: i.id, name: i.name })),
  };
  const labels = new Map<string, string>([
    ...controls.map((c) => [c.id, c.label] as const),
    ...signs.map((s) => [s.id, s.kind === 'lamp' && s.label.length < 3 ? `lamp ${s.label}` : s.label] as const),
    ...script.instruments.map((i) => [i.id, i.name] as const),
  ]);
  return {
    script,
    facts,
    controls: new Map<string, Control>(controls.map((c) => [c.id, c])),
    nameOf: (id: string): string => labels.get(id) ?? id,
  };
}
