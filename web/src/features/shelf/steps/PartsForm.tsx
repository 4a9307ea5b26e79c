import FormControl from '@mui/material/FormControl';
import FormLabel from '@mui/material/FormLabel';
import {
  type Apart,
  entriesOf,
  fallsInto,
  type LampColour,
  type Panel,
  type PartsAsked,
  type PartsWrong,
  type PartWay,
  partWays,
  type Sign,
  type SignId,
  showsByWords,
  signsFor,
  splitOf,
  type Route as Way,
} from '@wire-trail/core';
import { Field } from '../../../parts/field/Field.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import type { Shelved } from '../tab-props.ts';

type Part = PartsAsked['parts'][0];
const waysHere = (panels: readonly Panel[]): PartWay[] => partWays.filter((w) => signsFor(w, panels).length > 0);
const asked = (by: PartWay, panels: readonly Panel[], nth = 0): Part => {
  const signs = signsFor(by, panels);
  return { by, sign: (signs[nth] ?? signs[0])?.id as SignId };
};

/** What is asked first: the same way twice, one after the other, and codes as they most likely fall apart. */
export function partsBegun(panels: readonly Panel[], codes: readonly string[]): PartsAsked {
  const by = waysHere(panels)[0] ?? 'blinks';
  return {
    parts: [asked(by, panels), asked(by, panels)],
    apart: { is: 'time', everyMs: 3200 },
    split: splitOf(codes),
  };
}

const apartWords: Readonly<Record<Apart['is'], string>> = {
  time: 'a pause',
  sign: 'a lamp that is lit then',
  colour: 'another colour of the lamp',
  route: 'something one does',
};
const ordinals = ['First part', 'Second part'] as const;

/** Why it cannot be shown so, in words. */
export function wrongWords(wrong: PartsWrong): string {
  switch (wrong.is) {
    case 'no-such-parts':
      return `${wrong.codes.slice(0, 4).join(', ')}${wrong.codes.length > 4 ? ' and others' : ''} cannot be parted so.`;
    case 'no-number':
      return `${ordinals[wrong.part]}: “${wrong.text}” cannot be counted. A number from 1 to 60 can.`;
    case 'no-lamp':
      return `${ordinals[wrong.part]}: “${wrong.text}” is no lamp with a number, such as A3.`;
  }
}

/** One choice under its name. */
function Choice<T extends string>({
  name,
  value,
  of,
  onPick,
}: {
  name: string;
  value: T;
  of: ReadonlyArray<readonly [value: T, words: string]>;
  onPick: (value: T) => void;
}) {
  return (
    <label className="field">
      {name}
      <Select native fullWidth value={value} onChange={(e) => onPick(e.target.value as T)}>
        {of.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </Select>
    </label>
  );
}
const labelled = (signs: readonly Sign[]) => signs.map((s) => [s.id as SignId, s.label] as const);

type Props = Readonly<{
  value: PartsAsked;
  onChange: (next: PartsAsked) => void;
  panels: readonly Panel[];
  codes: readonly string[];
  entries: readonly Shelved[];
  wrong: PartsWrong | null;
}>;

/** A code in two parts: how each is shown, what tells the second, and how the codes fall apart. */
export function PartsForm({ value, onChange, panels, codes, entries, wrong }: Props) {
  const { parts, apart, split } = value;
  const lamps = signsFor('blinks', panels);
  const lamp = lamps.find((l) => l.id === parts[0].sign);
  const colours = lamp?.kind === 'lamp' ? lamp.colours : [];
  const routes = entriesOf({ entries: entries.map((e) => e.body) }, 'route');
  const kinds = (Object.keys(apartWords) as Apart['is'][]).filter(
    (is) =>
      is === 'time' ||
      (is === 'sign' && lamps.length > 0) ||
      (is === 'route' && routes.length > 0) ||
      (is === 'colour' && colours.length > 1 && parts[0].sign === parts[1].sign),
  );
  const setPart = (at: 0 | 1, part: Part) =>
    onChange({ ...value, parts: at === 0 ? [part, parts[1]] : [parts[0], part] });
  const setApart = (is: Apart['is']) =>
    onChange({
      ...value,
      apart: {
        time: { is: 'time', everyMs: 3200 } as const,
        sign: { is: 'sign', sign: lamps[0]?.id as SignId } as const,
        colour: { is: 'colour', first: colours[0] as LampColour, second: colours[1] as LampColour } as const,
        route: { is: 'route', route: routes[0]?.id as Way['id'] } as const,
      }[is],
    });
  const [code = ''] = codes;
  const fallen = code === '' ? null : fallsInto(code, split);
  return (
    <div className="in-parts stack">
      <div className="two">
        {([0, 1] as const).map((at) => (
          <FormControl key={at} component="fieldset" className="stack">
            <FormLabel component="legend">{ordinals[at]}</FormLabel>
            <Choice
              name="How it is shown"
              value={parts[at].by}
              of={waysHere(panels).map((w) => [w, showsByWords[w].name])}
              onPick={(by) => setPart(at, asked(by, panels))}
            />
            {parts[at].by !== 'which' && signsFor(parts[at].by, panels).length > 1 && (
              <Choice
                name="On which"
                value={parts[at].sign}
                of={labelled(signsFor(parts[at].by, panels))}
                onPick={(sign) => setPart(at, { ...parts[at], sign })}
              />
            )}
          </FormControl>
        ))}
      </div>
      <div className="two">
        <Choice
          name="What tells the second part"
          value={apart.is}
          of={kinds.map((is) => [is, apartWords[is]])}
          onPick={setApart}
        />
        {apart.is === 'time' && (
          <Field
            label="How long until it, in seconds"
            type="number"
            value={String(apart.everyMs / 1000)}
            onChange={(e) =>
              Number(e.target.value) > 0 &&
              onChange({ ...value, apart: { is: 'time', everyMs: Math.round(Number(e.target.value) * 1000) } })
            }
          />
        )}
        {apart.is === 'sign' && (
          <Choice
            name="Which lamp"
            value={apart.sign}
            of={labelled(lamps)}
            onPick={(sign) => onChange({ ...value, apart: { is: 'sign', sign } })}
          />
        )}
        {apart.is === 'route' && (
          <Choice
            name="Which way"
            value={apart.route}
            of={routes.map((r) => [r.id, r.name])}
            onPick={(route) => onChange({ ...value, apart: { is: 'route', route } })}
          />
        )}
      </div>
      <div className="two">
        <Field
          label="Stands before both"
          hint="such as E"
          value={split.before}
          maxLength={8}
          onChange={(e) => onChange({ ...value, split: { ...split, before: e.target.value } })}
        />
        <Field
          label="Stands between the parts"
          hint="such as -"
          value={split.between}
          maxLength={8}
          onChange={(e) =>
            onChange({ ...value, split: { ...split, between: e.target.value, first: e.target.value ? null : 1 } })
          }
        />
      </div>
      {split.between === '' && (
        <Field
          label="Characters of the first part"
          type="number"
          value={String(split.first ?? 1)}
          onChange={(e) =>
            Number(e.target.value) > 0 &&
            onChange({ ...value, split: { ...split, first: Math.min(8, Math.round(Number(e.target.value))) } })
          }
        />
      )}
      {fallen && (
        <p className="soft small">
          {code}: first <span className="mono">{fallen[0]}</span>, then <span className="mono">{fallen[1]}</span>
        </p>
      )}
      {wrong && (
        <p className="wrong" role="alert">
          {wrongWords(wrong)}
        </p>
      )}
    </div>
  );
}
