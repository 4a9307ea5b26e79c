import {
  type Apart,
  entriesOf,
  fallsInto,
  type LampColour,
  mostParts,
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

type Part = PartsAsked['parts'][number];
type Cut = PartsAsked['split']['cuts'][number];
const waysHere = (panels: readonly Panel[]): PartWay[] => partWays.filter((w) => signsFor(w, panels).length > 0);
const asked = (by: PartWay, panels: readonly Panel[], nth = 0): Part => {
  const signs = signsFor(by, panels);
  return { by, sign: (signs[nth] ?? signs[0])?.id as SignId };
};

const byTime: Apart = { is: 'time', everyMs: 3200 };
/** What is asked first: the same way twice, one after the other, and codes as they most likely fall apart. */
export function partsBegun(panels: readonly Panel[], codes: readonly string[]): PartsAsked {
  const by = waysHere(panels)[0] ?? 'blinks';
  return {
    parts: [asked(by, panels), asked(by, panels)],
    aparts: [byTime],
    split: splitOf(codes),
  };
}

const apartWords: Readonly<Record<Apart['is'], string>> = {
  time: 'a pause',
  sign: 'a lamp that is lit then',
  colour: 'another colour of the lamp',
  route: 'something one does',
};
const ordinals = ['First', 'Second', 'Third', 'Fourth'];
const howMany = ['two', 'three', 'four'];
const small = (at: number): string => (ordinals[at] ?? `${at + 1}th`).toLowerCase();

/** Why it cannot be shown so, in words. */
export function wrongWords(wrong: PartsWrong): string {
  switch (wrong.is) {
    case 'no-such-parts':
      return `${wrong.codes.slice(0, 4).join(', ')}${wrong.codes.length > 4 ? ' and others' : ''} cannot be parted so.`;
    case 'no-number':
      return `${ordinals[wrong.part]} part: “${wrong.text}” cannot be counted. A number from 1 to 60 can.`;
    case 'no-lamp':
      return `${ordinals[wrong.part]} part: “${wrong.text}” is no lamp with a number, such as A3.`;
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

/** A code in parts: how many, how each is shown, what tells each further one, and how the codes fall apart. */
export function PartsForm({ value, onChange, panels, codes, entries, wrong }: Props) {
  const { parts, aparts, split } = value;
  const routes = entriesOf({ entries: entries.map((e) => e.body) }, 'route');
  const put = <T,>(all: readonly T[], at: number, next: T): T[] => all.map((x, i) => (i === at ? next : x));
  const setCut = (at: number, next: Partial<Cut>) =>
    onChange({ ...value, split: { ...split, cuts: split.cuts.map((c, i) => (i === at ? { ...c, ...next } : c)) } });
  const setMany = (many: number) =>
    onChange({
      parts: Array.from({ length: many }, (_, i) => parts[i] ?? parts[0] ?? asked('blinks', panels)),
      aparts: Array.from({ length: many - 1 }, (_, i) => aparts[i] ?? byTime),
      split: splitOf(codes, many),
    });
  const [code = ''] = codes;
  const fallen = code === '' ? null : fallsInto(code, split);
  return (
    <div className="in-parts stack">
      <Choice
        name="In how many parts"
        value={String(parts.length)}
        of={howMany.slice(0, mostParts - 1).map((words, i) => [String(i + 2), words] as const)}
        onPick={(many) => setMany(Number(many))}
      />
      <div className="two">
        {parts.map((part, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is known by its place
          <fieldset key={at} className="stack">
            <legend>{ordinals[at]} part</legend>
            <Choice
              name="How it is shown"
              value={part.by}
              of={waysHere(panels).map((w) => [w, showsByWords[w].name])}
              onPick={(by) => onChange({ ...value, parts: put(parts, at, asked(by, panels)) })}
            />
            {part.by !== 'which' && signsFor(part.by, panels).length > 1 && (
              <Choice
                name="On which"
                value={part.sign}
                of={labelled(signsFor(part.by, panels))}
                onPick={(sign) => onChange({ ...value, parts: put(parts, at, { ...part, sign }) })}
              />
            )}
          </fieldset>
        ))}
      </div>
      {aparts.map((apart, i) => (
        <ApartFields
          // biome-ignore lint/suspicious/noArrayIndexKey: what tells a part is known by its place
          key={i}
          name={`What tells the ${small(i + 1)} part`}
          value={apart}
          isSame={parts[0]?.sign === parts[i + 1]?.sign}
          sign={parts[0]?.sign}
          panels={panels}
          routes={routes}
          onChange={(next) => onChange({ ...value, aparts: put(aparts, i, next) })}
        />
      ))}
      <div className="two">
        <Field
          label={parts.length === 2 ? 'Stands before both' : 'Stands before all of them'}
          hint="such as E"
          value={split.before}
          maxLength={8}
          onChange={(e) => onChange({ ...value, split: { ...split, before: e.target.value } })}
        />
        {split.cuts.map((cut, i) => (
          <Field
            // biome-ignore lint/suspicious/noArrayIndexKey: a cut is known by its place
            key={i}
            label={parts.length === 2 ? 'Stands between the parts' : `Stands behind the ${small(i)} part`}
            hint="such as -"
            value={cut.between}
            maxLength={8}
            onChange={(e) => setCut(i, { between: e.target.value })}
          />
        ))}
        {split.cuts.map(
          (cut, i) =>
            cut.between === '' && (
              <Field
                // biome-ignore lint/suspicious/noArrayIndexKey: a cut is known by its place
                key={i}
                label={`Characters of the ${small(i)} part`}
                type="number"
                value={String(cut.first)}
                onChange={(e) =>
                  Number(e.target.value) > 0 && setCut(i, { first: Math.min(8, Math.round(Number(e.target.value))) })
                }
              />
            ),
        )}
      </div>
      {fallen && (
        <p className="soft small">
          {code}: first{' '}
          {fallen.map((text, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a part is known by its place
            <span key={i}>
              {i > 0 && ', then '}
              <span className="mono">{text}</span>
            </span>
          ))}
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

type ApartProps = Readonly<{
  name: string;
  value: Apart;
  /** Whether it shows on the sign the first part shows on, and which that is. */
  isSame: boolean;
  sign: SignId | undefined;
  panels: readonly Panel[];
  routes: readonly Way[];
  onChange: (next: Apart) => void;
}>;

/** What tells a further part from the one before. */
function ApartFields({ name, value, isSame, sign, panels, routes, onChange }: ApartProps) {
  const lamps = signsFor('blinks', panels);
  const lamp = lamps.find((l) => l.id === sign);
  const colours = lamp?.kind === 'lamp' ? lamp.colours : [];
  const kinds = (Object.keys(apartWords) as Apart['is'][]).filter(
    (is) =>
      is === 'time' ||
      (is === 'sign' && lamps.length > 0) ||
      (is === 'route' && routes.length > 0) ||
      (is === 'colour' && colours.length > 1 && isSame),
  );
  const first = (is: Apart['is']): Apart =>
    ({
      time: byTime,
      sign: { is: 'sign', sign: lamps[0]?.id as SignId } as const,
      colour: { is: 'colour', first: colours[0] as LampColour, second: colours[1] as LampColour } as const,
      route: { is: 'route', route: routes[0]?.id as Way['id'] } as const,
    })[is];
  return (
    <div className="two">
      <Choice
        name={name}
        value={value.is}
        of={kinds.map((is) => [is, apartWords[is]])}
        onPick={(is) => onChange(first(is))}
      />
      {value.is === 'time' && (
        <Field
          label="How long until it, in seconds"
          type="number"
          value={String(value.everyMs / 1000)}
          onChange={(e) =>
            Number(e.target.value) > 0 && onChange({ is: 'time', everyMs: Math.round(Number(e.target.value) * 1000) })
          }
        />
      )}
      {value.is === 'sign' && (
        <Choice
          name="Which lamp"
          value={value.sign}
          of={labelled(lamps)}
          onPick={(next) => onChange({ is: 'sign', sign: next })}
        />
      )}
      {value.is === 'route' && (
        <Choice
          name="Which way"
          value={value.route}
          of={routes.map((r) => [r.id, r.name])}
          onPick={(route) => onChange({ is: 'route', route })}
        />
      )}
    </div>
  );
}
