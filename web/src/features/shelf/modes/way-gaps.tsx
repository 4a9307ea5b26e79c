import Button from '@mui/material/Button';
import { type Code, lampStateWords, type PlaceId, type Shown, type Sign } from '@wire-trail/core';
import { Input } from '../../../parts/field/Input.tsx';
import { Select } from '../../../parts/field/Select.tsx';
import { type Around, codesIn, pickedIn, placeIn, quantityIn, shownFirst, type WayDraft, whole } from './way-draft.ts';

type Options = ReadonlyArray<readonly [value: string, words: string]>;

/** One choice of a sentence. */
export function Pick({
  name,
  value,
  of,
  onPick,
}: {
  name: string;
  value: string;
  of: Options;
  onPick: (value: string) => void;
}) {
  return (
    <Select native value={value} onChange={(e) => onPick(e.target.value)} inputProps={{ 'aria-label': name }}>
      {of.map(([option, words]) => (
        <option key={option} value={option}>
          {words}
        </option>
      ))}
    </Select>
  );
}

/** One gap of a sentence somebody types into. */
export function Gap({
  name,
  value,
  wrong,
  size = 3,
  placeholder,
  onType,
}: {
  name: string;
  value: string;
  wrong: boolean;
  size?: number;
  placeholder?: string;
  onType: (value: string) => void;
}) {
  return (
    <Input
      value={value}
      error={wrong}
      {...(placeholder && { placeholder })}
      onChange={(e) => onType(e.target.value)}
      slotProps={{ input: { size, maxLength: 400, 'aria-label': name } }}
    />
  );
}

/** Steps as a route is written, a line for each. */
export function StepsGap({
  name,
  value,
  wrong,
  onType,
}: {
  name: string;
  value: string;
  wrong: boolean;
  onType: (value: string) => void;
}) {
  return (
    <Input
      multiline
      fullWidth
      minRows={1}
      className="mono"
      value={value}
      error={wrong}
      onChange={(e) => onType(e.target.value)}
      slotProps={{ input: { maxLength: 4000, 'aria-label': name } }}
    />
  );
}

const lampStates: Options = Object.entries(lampStateWords);

/** A sign, and what it shows: of a lamp of several colours which one, of a display whether it flashes, of a sound how often. */
export function SignGap({
  signs,
  value,
  onChange,
}: {
  signs: readonly Sign[];
  value: Shown | null;
  onChange: (shown: Shown) => void;
}) {
  const sign = signs.find((s) => s.id === value?.sign) ?? signs[0];
  const pick = (id: string) => {
    const next = shownFirst(signs.find((s) => s.id === id));
    if (next) onChange(next);
  };
  return (
    <>
      <Pick name="which sign" value={sign?.id ?? ''} of={signs.map((s) => [s.id, s.label])} onPick={pick} />
      {value?.kind === 'lamp' && (
        <>
          <span>is</span>
          <Pick
            name="what it shows"
            value={value.state}
            of={lampStates}
            onPick={(state) => onChange({ ...value, state: state as typeof value.state })}
          />
          {sign?.kind === 'lamp' && sign.colours.length > 1 && value.state !== 'dark' && (
            <Pick
              name="in which colour"
              value={value.colour ?? ''}
              of={[['', 'in any colour'], ...sign.colours.map((c) => [c, c] as const)]}
              onPick={(colour) =>
                onChange(
                  withColour(
                    value,
                    sign.colours.find((c) => c === colour),
                  ),
                )
              }
            />
          )}
        </>
      )}
      {value?.kind === 'text' && (
        <>
          <span>shows</span>
          <Gap
            name="what it shows"
            size={8}
            wrong={false}
            value={value.text}
            onType={(text) => onChange({ ...value, text })}
          />
          <Pick
            name="flashing or steady"
            value={value.flashes === undefined ? '' : value.flashes ? 'flashes' : 'steady'}
            of={[
              ['', 'flashing or not'],
              ['flashes', 'flashing'],
              ['steady', 'steady'],
            ]}
            onPick={(how) => {
              const { flashes: _, ...rest } = value;
              onChange(how === '' ? rest : { ...rest, flashes: how === 'flashes' });
            }}
          />
        </>
      )}
      {value?.kind === 'sound' && (
        <>
          <Pick
            name="what it shows"
            value={value.state}
            of={[
              ['on', 'is heard'],
              ['off', 'falls silent'],
            ]}
            onPick={(state) => onChange({ ...value, state: state as typeof value.state })}
          />
          {value.state === 'on' && (
            <>
              <Gap
                name="how often it sounds"
                placeholder="any"
                wrong={false}
                value={value.times === undefined ? '' : String(value.times)}
                onType={(typed) => {
                  const { times: _, ...rest } = value;
                  const n = whole(typed);
                  onChange(n === null ? rest : { ...rest, times: Math.min(100, Math.max(1, Math.round(n))) });
                }}
              />
              <span>{value.times === 1 ? 'time' : 'times'}</span>
            </>
          )}
        </>
      )}
    </>
  );
}

function withColour(
  { colour: _, ...lamp }: Extract<Shown, { kind: 'lamp' }>,
  colour: Extract<Shown, { kind: 'lamp' }>['colour'],
): Shown {
  return colour ? { ...lamp, colour } : lamp;
}

/** Signs in a row, each with what it shows. */
export function SignsGap({
  signs,
  value,
  onChange,
}: {
  signs: readonly Sign[];
  value: readonly Shown[];
  onChange: (shown: readonly Shown[]) => void;
}) {
  const others = signs.filter((s) => !value.some((v) => v.sign === s.id));
  const first = shownFirst(others[0]);
  return (
    <>
      {value.map((shown, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a sign of a row has no name but its place
        <div key={i} className="sentence">
          {i > 0 && <span>and</span>}
          <SignGap
            signs={signs.filter((s) => s.id === shown.sign || others.includes(s))}
            value={shown}
            onChange={(next) => onChange(value.map((v, k) => (k === i ? next : v)))}
          />
          <Button
            variant="text"
            size="inline"
            aria-label={`Take away ${signs.find((s) => s.id === shown.sign)?.label ?? shown.sign}`}
            onClick={() => onChange(value.filter((_, k) => k !== i))}
          >
            Take away
          </Button>
        </div>
      ))}
      {first && (
        <div className="row">
          <Button size="small" onClick={() => onChange([...value, first])}>
            {value.length === 0 ? 'Add a sign' : 'And another sign'}
          </Button>
        </div>
      )}
    </>
  );
}

/** Some codes of the unit, or any. */
export function CodesGap({
  codes,
  value,
  tried,
  onType,
}: {
  codes: readonly Code[];
  value: string;
  tried: boolean;
  onType: (text: string) => void;
}) {
  return (
    <>
      <Gap
        name="which codes"
        size={10}
        wrong={tried && typeof codesIn(value, codes) === 'string'}
        value={value}
        onType={onType}
      />
      {value.trim() === '' && <span className="soft">any of them</span>}
    </>
  );
}

/** A quantity of the unit, and where it is. */
export function InputGap({
  inputs,
  input,
  words,
  compare,
  value,
  tried,
  onChange,
}: {
  inputs: Around['inputs'];
  input: string;
  words: Readonly<Record<'above' | 'below', string>>;
  compare: 'above' | 'below';
  value: string;
  tried: boolean;
  onChange: (next: Readonly<{ input?: string; passes?: 'above' | 'below'; value?: string }>) => void;
}) {
  const own = inputs.find((i) => i.id === input);
  return (
    <>
      <Pick
        name="which quantity"
        value={input}
        of={inputs.map((i) => [i.id, i.name])}
        onPick={(next) => onChange({ input: next })}
      />
      <Pick
        name="above or below"
        value={compare}
        of={[
          ['above', words.above],
          ['below', words.below],
        ]}
        onPick={(next) => onChange({ passes: next as 'above' | 'below' })}
      />
      <Gap
        name="value"
        size={7}
        wrong={tried && quantityIn(value, own) === null}
        value={value}
        onType={(next) => onChange({ value: next })}
      />
    </>
  );
}

type Props = Readonly<{
  draft: WayDraft;
  around: Around;
  tried: boolean;
  onChange: (next: Partial<WayDraft>) => void;
}>;

/** The gaps behind what sets a way off. */
export function WayGaps({ draft, around, tried, onChange }: Props) {
  const { by } = draft;
  const { choices, picked, places } = pickedIn(draft, around);
  const isByKey = by === 'press' || by === 'hold' || by === 'turn' || by === 'put' || by === 'kept';
  const isTimed = by === 'idle' || by === 'after' || by === 'hold';
  return (
    <>
      {isByKey && (
        <Pick
          name="which"
          value={picked?.control.id ?? ''}
          of={choices.map((c) => [c.control.id, c.control.label])}
          onPick={(control) => onChange({ control })}
        />
      )}
      {by === 'put' && (
        <>
          <span>to</span>
          <Pick
            name="place"
            value={placeIn(draft, around)?.id ?? ''}
            of={places.map((p) => [p.id as PlaceId, p.label])}
            onPick={(place) => onChange({ place })}
          />
        </>
      )}
      {(by === 'press' || by === 'turn') && (
        <Gap
          name={by === 'turn' ? 'clicks' : 'how often'}
          wrong={tried && whole(draft.often) === null}
          value={draft.often}
          onType={(often) => onChange({ often })}
        />
      )}
      {by === 'press' && <span>{whole(draft.often) === 1 ? 'time' : 'times'}</span>}
      {by === 'turn' && (
        <>
          <span>{whole(draft.often) === 1 ? 'click' : 'clicks'}</span>
          <Pick
            name="which way round"
            value={draft.turns}
            of={[
              ['cw', 'right'],
              ['ccw', 'left'],
            ]}
            onPick={(turns) => onChange({ turns: turns as 'cw' | 'ccw' })}
          />
        </>
      )}
      {(by === 'hold' || by === 'kept') && <span>for</span>}
      {(isTimed || by === 'kept') && (
        <Gap
          name="how long"
          wrong={tried && whole(draft.long) === null}
          value={draft.long}
          onType={(long) => onChange({ long })}
        />
      )}
      {isTimed && (
        <Pick
          name="seconds or minutes"
          value={draft.unit}
          of={[
            ['s', 's'],
            ['min', 'min'],
          ]}
          onPick={(unit) => onChange({ unit: unit as 's' | 'min' })}
        />
      )}
      {by === 'kept' && (
        <>
          <span>s, and again every</span>
          <Gap
            name="how long between"
            wrong={tried && whole(draft.every) === null}
            value={draft.every}
            onType={(every) => onChange({ every })}
          />
          <span>s</span>
        </>
      )}
      {by === 'steps' && (
        <StepsGap
          name="what is done"
          value={draft.steps}
          wrong={tried && draft.steps.trim() === ''}
          onType={(steps) => onChange({ steps })}
        />
      )}
      {by === 'sign' && <SignGap signs={around.signs} value={draft.shown} onChange={(shown) => onChange({ shown })} />}
      {(by === 'code' || by === 'stands') && (
        <CodesGap codes={around.codes} value={draft.codes} tried={tried} onType={(codes) => onChange({ codes })} />
      )}
      {by === 'passes' && (
        <InputGap
          inputs={around.inputs}
          input={draft.input}
          words={{ above: 'rises above', below: 'falls below' }}
          compare={draft.passes}
          value={draft.value}
          tried={tried}
          onChange={onChange}
        />
      )}
      {by === 'message' && (
        <>
          <Pick
            name="which board"
            value={draft.from}
            of={around.boards.map((b) => [b.id, b.name])}
            onPick={(from) => onChange({ from })}
          />
          <span>says</span>
          <Gap
            name="what it says"
            size={14}
            wrong={tried && draft.message.trim() === ''}
            value={draft.message}
            onType={(message) => onChange({ message })}
          />
        </>
      )}
    </>
  );
}
