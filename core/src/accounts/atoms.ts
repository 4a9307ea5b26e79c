import { assertNever } from '../base/result.ts';
import { exactly, type Span } from '../base/text.ts';
import type { Moment, Step } from '../model/route.ts';
import { dialControls } from '../model/steps.ts';

/** What a telling comes down to, one thing at a time: how it is grouped and nested makes no difference of its own. */
export type Atom = Readonly<{
  act:
    | 'press'
    | 'together'
    | 'do'
    | 'take'
    | 'let-go'
    | 'hold'
    | 'turn'
    | 'sweep'
    | 'set'
    | 'rest'
    | 'list'
    | 'dial'
    | 'choose'
    | 'see'
    | 'window'
    | 'repeat'
    | 'if'
    | 'say'
    | 'bypass';
  /** Control, sign or place it is about; several are sorted and joined by `+`. */
  what: string;
  /** Where it ends up or what it says: a place, a way, a text. */
  to: string;
  count: number | null;
  span: Span | null;
  /** The step it comes from, by its place in the script. */
  at: string;
  step: Step;
}>;

const momentText = (m: Moment | undefined): string =>
  m === undefined ? '' : m.kind === 'sign' ? `${m.shown.sign} ${JSON.stringify(m.shown)} ${m.nth}` : m.kind;

/** A telling as atoms, in the order things are done. Sentences that are no action are left out. */
export function atomsOf(steps: readonly Step[], under = ''): Atom[] {
  return steps.flatMap((step, i): Atom[] => {
    const at = `${under}${i}`;
    const atom = (act: Atom['act'], what: string, rest: Partial<Atom> = {}): Atom => ({
      act,
      what,
      to: '',
      count: null,
      span: null,
      at,
      step,
      ...rest,
    });
    switch (step.kind) {
      case 'press':
        return [atom('press', step.control, { count: step.times })];
      case 'hold':
      case 'keep': {
        const what = step.controls
          .map((h) => h.control)
          .sort()
          .join('+');
        const to = step.controls.map((h) => h.place ?? '').join('+');
        const until = step.until;
        const ends = {
          span: until?.kind === 'span' ? until.span : null,
          to: until?.kind === 'moment' ? momentText(until.moment) : '',
        };
        if (step.kind === 'keep')
          return [atom('take', what, { to }), ...atomsOf(step.during, `${at}.during.`), atom('let-go', what, ends)];
        if (step.until.kind === 'release') return [atom('take', what, { to })];
        return [atom('hold', what, { ...ends, to: `${to}${ends.to}` })];
      }
      case 'release':
        return [atom('let-go', [...step.controls].sort().join('+'), { to: momentText(step.at) })];
      case 'turn':
        return [atom('turn', step.control, { to: step.way, count: step.clicks })];
      case 'sweep':
        return [atom('sweep', step.control, { to: `${step.way} ${step.stopAt ?? ''}`, count: step.turns })];
      case 'set':
        return [atom('set', step.control, { to: step.to })];
      case 'rest':
        return [atom('rest', '', { span: step.span })];
      case 'step-list':
        return [atom('list', step.control, { to: step.by, count: step.to })];
      case 'dial':
        return [
          atom('dial', step.by.kind === 'each' ? step.by.up.join('+') : (dialControls(step.by)[0] ?? ''), {
            to: step.text,
          }),
        ];
      case 'together':
        return [atom('together', [...step.controls].sort().join('+'), { count: step.times })];
      case 'do':
        return [atom('do', step.route, { count: step.times })];
      case 'choose':
        return [atom('choose', step.on, { to: [...step.path, step.value ?? ''].join(' › ') })];
      case 'see':
        return [
          atom(
            'see',
            step.signs
              .map((s) => s.sign)
              .sort()
              .join('+'),
            { to: `${step.must} ${JSON.stringify(step.signs)}`, span: step.within ?? null },
          ),
        ];
      case 'group': {
        const inside = atomsOf(step.steps, `${at}.steps.`);
        const [only] = inside;
        const window = step.window
          ? [atom('window', momentText(step.window.from), { span: exactly(step.window.mostMs) })]
          : [];
        // so many times one press is that many presses
        if (step.times > 1 && inside.length === 1 && only?.act === 'press')
          return [...window, { ...only, count: (only.count ?? 1) * step.times }];
        return [...window, ...(step.times > 1 ? [atom('repeat', '', { count: step.times })] : []), ...inside];
      }
      case 'branch':
        return [
          atom('if', step.on.kind === 'sign' ? step.on.shown.sign : step.on.kind, { to: JSON.stringify(step.on) }),
          ...atomsOf(step.met, `${at}.met.`),
          ...atomsOf(step.otherwise, `${at}.otherwise.`),
        ];
      case 'bypass':
        return [atom('bypass', step.what)];
      case 'say':
      case 'at-place':
        return [];
      default:
        return assertNever(step);
    }
  });
}
