import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete';
import { HighlightStyle, StreamLanguage, syntaxHighlighting } from '@codemirror/language';
import { tags } from '@lezer/highlight';
import { lineForms, lineWords, noteWords } from '@wire-trail/core';

/** What a family's script may name. */
export type ScriptNames = Readonly<{
  controls: ReadonlyArray<{ id: string; label: string; places: ReadonlyArray<{ id: string; label: string }> }>;
  signs: ReadonlyArray<{ id: string; label: string; states: readonly string[] }>;
  modes: ReadonlyArray<{ id: string; name: string }>;
  instruments: ReadonlyArray<{ id: string; name: string }>;
}>;

const first = new Set<string>([...lineWords, 'let']);
const joints = new Set(
  'for until at within of from to with times twice once clicks turns right left cw ccw usually ramp over any all power-on step-before needs confirm value on-unit reads nothing lit dark slow fast on off'.split(
    ' ',
  ),
);

/** Colours of a script: what a line does, what it names, times and texts. */
const language = StreamLanguage.define<{ start: boolean }>({
  startState: () => ({ start: true }),
  token: (stream, state) => {
    if (stream.sol()) state.start = true;
    if (stream.eatSpace()) return null;
    if (stream.match(/^\/\/.*/)) return 'comment';
    if (stream.match(/^-\s+[a-z-]+/)) {
      stream.skipToEnd();
      return 'meta';
    }
    if (stream.match(/^"(?:[^"\\]|\\.)*"?/)) return 'string';
    if (stream.match(/^\d+(\.\d+)?\s?(ms|s|min|h)?\b/)) return 'number';
    if (stream.match(/^[+,>#]/)) return 'punctuation';
    const word = stream.match(/^[^\s+,>"]+/);
    const text = Array.isArray(word) ? word[0] : '';
    const wasStart = state.start;
    state.start = false;
    if (wasStart && first.has(text)) return 'keyword';
    return joints.has(text) ? 'operator' : 'variableName';
  },
  languageData: { commentTokens: { line: '//' } },
});

export const scriptLanguage = [
  language,
  syntaxHighlighting(
    HighlightStyle.define([
      { tag: tags.keyword, color: 'var(--spruce)', fontWeight: '700' },
      { tag: tags.variableName, color: 'var(--copper)', fontWeight: '600' },
      { tag: tags.number, color: 'var(--ink)', fontWeight: '700' },
      { tag: tags.string, color: 'var(--good)' },
      { tag: tags.operator, color: 'var(--ink)' },
      { tag: tags.meta, color: 'var(--soft)', fontStyle: 'italic' },
      { tag: tags.comment, color: 'var(--soft)' },
      { tag: tags.punctuation, color: 'var(--soft)' },
    ]),
  ),
];

const asks = new Set(['see', 'may', 'no', 'until', 'of', 'at', 'if', ',']);
const takes = new Set([
  'press',
  'hold',
  'keep',
  'let-go',
  'turn',
  'sweep',
  'set',
  'step',
  'with',
  'down-with',
  'next',
  '+',
  'bypass',
]);

/** What may stand at the cursor: a beginning of a line, a control, its places, a sign, what it shows, a mode. */
export function completeScript(names: ScriptNames) {
  const controls: Completion[] = names.controls.map((c) => ({ label: c.id, detail: c.label, type: 'variable' }));
  const signs: Completion[] = names.signs.map((s) => ({ label: s.id, detail: s.label, type: 'variable' }));
  const modes: Completion[] = names.modes.map((m) => ({ label: m.id, detail: m.name, type: 'class' }));
  const instruments: Completion[] = names.instruments.map((i) => ({ label: i.id, detail: i.name, type: 'class' }));
  return (context: CompletionContext): CompletionResult | null => {
    const line = context.state.doc.lineAt(context.pos);
    const before = line.text.slice(0, context.pos - line.from);
    const typed = /[^\s+,>"]*$/.exec(before)?.[0] ?? '';
    if (typed === '' && !context.explicit && !/\s$/.test(before)) return null;
    const from = context.pos - typed.length;
    const words = before
      .slice(0, before.length - typed.length)
      .trim()
      .split(/\s+/)
      .filter(Boolean);
    const last = words.at(-1) ?? '';
    const options = ((): Completion[] => {
      if (words.length === 0)
        return lineWords.map((w) => ({ label: w, detail: lineForms[w].replace(`${w} `, ''), type: 'keyword' }));
      if (last === '-') return noteWords.map((w) => ({ label: w, type: 'keyword' }));
      if (words[0] === '-') return [];
      if (last === 'from' && words.length === 1) return [{ label: 'any', type: 'keyword' }, ...modes];
      if (last === 'reach' || words[0] === 'from') return modes;
      if (last === 'with' && words[0] === 'choose') return instruments;
      if (takes.has(last))
        return last === 'let-go'
          ? [{ label: 'all', type: 'keyword' }, ...controls]
          : last === 'press'
            ? [...controls, { label: 'any', type: 'keyword' }]
            : controls;
      if (asks.has(last))
        return last === 'of' || last === 'until' || last === 'at'
          ? [...signs, { label: 'power-on', type: 'keyword' }, { label: 'step-before', type: 'keyword' }]
          : signs;
      const control = names.controls.find((c) => c.id === last);
      const sign = names.signs.find((s) => s.id === last);
      const places = control
        ? control.places.map((p): Completion => ({ label: p.id, detail: p.label, type: 'constant' }))
        : [];
      const ways: Completion[] =
        words[0] === 'turn' || words[0] === 'sweep'
          ? ['right', 'left'].map((w) => ({ label: w, type: 'constant' }))
          : [];
      const states = sign ? sign.states.map((w): Completion => ({ label: w, type: 'constant' })) : [];
      return [
        ...places,
        ...ways,
        ...states,
        ...['times', 'for', 'until', 'within', 'usually'].map((w): Completion => ({ label: w, type: 'keyword' })),
      ];
    })();
    return options.length === 0 ? null : { from, options, validFor: /^[\w-]*$/ };
  };
}
