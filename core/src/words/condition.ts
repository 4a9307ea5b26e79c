import { formatQuantity } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import { idWords } from '../base/slug.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Condition } from '../model/condition.ts';
import type { Panel } from '../model/panel.ts';
import { entriesOf, entryOf, familyEntry } from '../model/select.ts';
import type { Shown } from '../model/shown.ts';
import { shownWords } from './sign.ts';

/** A family's panels as one, for what signs are called. */
export function wholePanel(bundle: Bundle): Panel | null {
  const [first, ...more] = entriesOf(bundle, 'panel').filter((p) => p.family === bundle.family);
  return first ? { ...first, faces: [first, ...more].flatMap((p) => p.faces) } : null;
}

/** What signs of a family show, by what its panels call them. */
export function signsWords(signs: readonly Shown[], bundle: Bundle): string {
  const panel = wholePanel(bundle);
  return panel ? shownWords(signs, panel) : signs.map((s) => s.sign).join(', ');
}

const codeWords = (bundle: Bundle, ids: readonly string[]): string =>
  ids.length === 0 ? 'a code' : ids.map((id) => entryOf(bundle, 'code', id)?.text ?? id).join(' or ');

/** A condition in the middle of a sentence: `entry is 14`, `K19 stands`. */
export function conditionText(condition: Condition, bundle: Bundle): string {
  switch (condition.kind) {
    case 'variable': {
      const name = idWords(condition.variable);
      return typeof condition.is === 'boolean'
        ? `${name} is ${condition.is ? 'on' : 'off'}`
        : `${name} is ${condition.is}`;
    }
    case 'input': {
      const input = familyEntry(bundle).inputs.find((i) => i.id === condition.input);
      const value = input ? formatQuantity(condition.value, input.quantity) : String(condition.value);
      return `${input?.name ?? condition.input} is ${condition.compare} ${value}`;
    }
    case 'reads':
      return `${entryOf(bundle, 'readout', condition.readout)?.name ?? condition.readout} shows ${codeWords(bundle, [condition.code])}`;
    case 'sign':
      return signsWords([condition.shown], bundle);
    case 'code-stands':
      return `${codeWords(bundle, condition.codes)} stands`;
    case 'all':
      return condition.of.map((c) => conditionText(c, bundle)).join(' and ');
    case 'any':
      return `${condition.of.length > 1 ? 'either ' : ''}${condition.of.map((c) => conditionText(c, bundle)).join(' or ')}`;
    case 'not':
      return `it is not so that ${conditionText(condition.of, bundle)}`;
    default:
      return assertNever(condition);
  }
}

/** What has to be so for a route to be there at all, each as a sentence; nothing where it always is. */
export function onlyWhereWords(
  route: Readonly<{ onlyFor: readonly string[]; when?: Condition | undefined }>,
  bundle: Bundle,
): string[] {
  return [
    ...(route.onlyFor.length > 0 ? [`Only with ${codeWords(bundle, route.onlyFor)} in memory.`] : []),
    ...(route.when ? [`Only where ${conditionText(route.when, bundle)}.`] : []),
  ];
}
