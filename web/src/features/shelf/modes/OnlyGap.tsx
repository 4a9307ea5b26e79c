import type { Condition, Mode } from '@wire-trail/core';
import { useState } from 'react';
import {
  type Around,
  codesIn,
  codesText,
  exactly,
  type OnlyKind,
  onlyKindOf,
  quantityIn,
  shownFirst,
} from './way-draft.ts';
import { CodesGap, InputGap, Pick, SignGap } from './way-gaps.tsx';

const onlyWords: Readonly<Record<OnlyKind, string>> = {
  always: 'always',
  sign: 'only while a sign shows',
  'code-stands': 'only while a code stands',
  input: 'only while a quantity is',
  variable: 'only while it remembers',
  form: 'only where its form says',
};

type Only = Readonly<{ when: Condition | undefined; wrong: string | null }>;

/** What is typed of a condition, and what it comes to: undefined is always. */
export function useOnly(before: Condition | undefined, mode: Mode, around: Around) {
  const flags = mode.variables.filter((v) => v.kind === 'flag');
  const [kind, setKind] = useState<OnlyKind>(onlyKindOf(before));
  const [shown, setShown] = useState(before?.kind === 'sign' ? before.shown : shownFirst(around.signs[0]));
  const [codes, setCodes] = useState(before?.kind === 'code-stands' ? codesText(before.codes, around.codes) : '');
  const [input, setInput] = useState<string>(before?.kind === 'input' ? before.input : (around.inputs[0]?.id ?? ''));
  const own = around.inputs.find((i) => i.id === input);
  const [compare, setCompare] = useState(before?.kind === 'input' ? before.compare : 'above');
  const [value, setValue] = useState(before?.kind === 'input' && own ? exactly(before.value, own) : '');
  const [flag, setFlag] = useState<string>(before?.kind === 'variable' ? before.variable : (flags[0]?.id ?? ''));
  const [is, setIs] = useState(before?.kind === 'variable' ? before.is === true : true);
  const only = (): Only => {
    switch (kind) {
      case 'always':
        return { when: undefined, wrong: null };
      case 'form':
        return { when: before, wrong: null };
      case 'sign':
        return shown ? { when: { kind, shown }, wrong: null } : { when: undefined, wrong: 'Say what it shows.' };
      case 'code-stands': {
        const named = codesIn(codes, around.codes);
        return typeof named === 'string'
          ? { when: undefined, wrong: named }
          : { when: { kind, codes: [...named] }, wrong: null };
      }
      case 'input': {
        const at = quantityIn(value, own);
        return own && at !== null
          ? { when: { kind, input: own.id, compare, value: at }, wrong: null }
          : { when: undefined, wrong: 'Say which value.' };
      }
      case 'variable': {
        const named = flags.find((f) => f.id === flag)?.id;
        return named
          ? { when: { kind, variable: named, is }, wrong: null }
          : { when: undefined, wrong: 'Say what it remembers.' };
      }
    }
  };
  const kinds: readonly OnlyKind[] = [
    'always',
    ...(around.signs.length > 0 ? (['sign'] as const) : []),
    ...(around.codes.length > 0 ? (['code-stands'] as const) : []),
    ...(around.inputs.length > 0 ? (['input'] as const) : []),
    ...(flags.length > 0 ? (['variable'] as const) : []),
    ...(onlyKindOf(before) === 'form' ? (['form'] as const) : []),
  ];
  const gaps = (tried: boolean) => (
    <div className="sentence">
      <Pick
        name="only while"
        value={kind}
        of={kinds.map((k) => [k, onlyWords[k]])}
        onPick={(next) => setKind(next as OnlyKind)}
      />
      {kind === 'sign' && <SignGap signs={around.signs} value={shown} onChange={setShown} />}
      {kind === 'code-stands' && <CodesGap codes={around.codes} value={codes} tried={tried} onType={setCodes} />}
      {kind === 'input' && (
        <InputGap
          inputs={around.inputs}
          input={input}
          words={{ above: 'above', below: 'below' }}
          compare={compare}
          value={value}
          tried={tried}
          onChange={(next) => {
            if (next.input !== undefined) setInput(next.input);
            if (next.passes !== undefined) setCompare(next.passes);
            if (next.value !== undefined) setValue(next.value);
          }}
        />
      )}
      {kind === 'variable' && (
        <>
          <Pick
            name="what it remembers"
            value={flag}
            of={flags.map((f) => [f.id, f.id.replaceAll('-', ' ')])}
            onPick={setFlag}
          />
          <Pick
            name="so or not"
            value={is ? 'so' : 'not'}
            of={[
              ['so', 'is so'],
              ['not', 'is not so'],
            ]}
            onPick={(next) => setIs(next === 'so')}
          />
        </>
      )}
    </div>
  );
  return { only, gaps };
}
