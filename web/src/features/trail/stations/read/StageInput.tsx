import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import {
  baseUnit,
  isRhythmic,
  type Look,
  pairOfBytes,
  pairText,
  partName,
  type ReadsOf,
  readBytesText,
  type SignId,
  type Stage,
  valueFieldOf,
} from '@wire-trail/core';
import { lazy, Suspense, useState } from 'react';
import { Input } from '../../../../parts/field/Input.tsx';
import { Loading } from '../../../../parts/states/States.tsx';
import { TapPad } from './TapPad.tsx';
import type { StageProps } from './use-decoding.ts';

const CameraReader = lazy(() => import('./camera/CameraReader.tsx').then((m) => ({ default: m.CameraReader })));

/** How one stage is entered: counted, tapped, seen by the camera, or typed as the display shows it. */
export function StageInput(props: StageProps) {
  const { stage } = props;
  if (isRhythmic(stage.reads)) return <BlinkInput {...props} />;
  if (stage.reads.kind === 'lamps') return <ByCamera {...props} />;
  return <DisplayInput {...props} />;
}

/** Lamps are tapped on the panel and the keys; the camera is offered besides. */
function ByCamera(props: StageProps) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <div className="row">
        <Button onClick={() => setOpen(true)}>Read by camera</Button>
      </div>
    );
  return <Camera {...props} onClose={() => setOpen(false)} />;
}

function Camera({ onClose, onLook, ...rest }: StageProps & { onClose: () => void }) {
  return (
    <Suspense fallback={<Loading what="the camera" />}>
      <CameraReader
        {...rest}
        onLook={(look) => {
          onLook(look);
          onClose();
        }}
        onClose={onClose}
      />
    </Suspense>
  );
}

function BlinkInput(props: StageProps) {
  const { data, stage, look, onLook } = props;
  const [how, setHow] = useState<'count' | 'taps' | 'camera'>('count');
  if (how === 'taps')
    return (
      <TapPad
        readout={props.readout}
        stage={stage}
        onClose={() => setHow('count')}
        onLook={(next) => {
          onLook(next);
          setHow('count');
        }}
      />
    );
  if (how === 'camera') return <Camera {...props} onClose={() => setHow('count')} />;
  const heard = 'heard' in stage.reads && stage.reads.heard;
  return (
    <>
      {stage.reads.kind === 'rhythm' ? (
        <LongShort stage={stage} look={look} onLook={onLook} />
      ) : (
        <Count stage={stage} look={look} onLook={onLook} nameOf={(id) => partName(data.panel, id)} />
      )}
      <div className="row">
        <Button onClick={() => setHow('taps')}>Tap along with it</Button>
        {!heard && <Button onClick={() => setHow('camera')}>Read by camera</Button>}
      </div>
      {(look?.kind === 'pulses' || look?.kind === 'trace') && (
        <p role="status">
          <span className="tag">
            {look.kind === 'pulses' && look.by === 'taps'
              ? `${look.pulses.length} taps are kept`
              : 'the camera’s trace is kept'}
          </span>
        </p>
      )}
    </>
  );
}

type Part = Readonly<{ stage: Stage; look: Look | undefined; onLook: (look: Look) => void }>;

function Count({ stage, look, onLook, nameOf }: Part & { nameOf: (id: SignId) => string }) {
  const { reads } = stage;
  const most = reads.kind === 'blinks' || reads.kind === 'which' ? reads.most : 0;
  const now = look?.kind === 'blinks' ? look : null;
  const [which, setWhich] = useState<SignId | undefined>(now?.sign);
  const count = (n: number) => onLook({ kind: 'blinks', stage: stage.id, count: n, ...(which && { sign: which }) });
  return (
    <>
      {reads.kind === 'which' && (
        <div role="group" aria-label="which lamp" className="row">
          {reads.lamps.map(({ sign }) => (
            <Button
              key={sign}
              size="glove"
              variant={sign === which ? 'contained' : 'outlined'}
              color={sign === which ? 'primary' : 'inherit'}
              aria-pressed={sign === which}
              onClick={() => {
                setWhich(sign);
                if (now) onLook({ ...now, sign });
              }}
            >
              lamp {nameOf(sign)}
            </Button>
          ))}
        </div>
      )}
      <div role="group" aria-label={stage.label} className="row">
        {Array.from({ length: most }, (_, i) => i + 1).map((n) => (
          <Button
            key={n}
            size="glove"
            variant={n === now?.count ? 'contained' : 'outlined'}
            color={n === now?.count ? 'primary' : 'inherit'}
            style={now?.maybe?.includes(n) ? { borderStyle: 'dashed' } : undefined}
            aria-pressed={n === now?.count}
            onClick={() => count(n)}
          >
            {n}
          </Button>
        ))}
      </div>
      {now && now.count < most && (
        <label className="row small">
          <Checkbox
            checked={now.maybe?.includes(now.count + 1) ?? false}
            onChange={(e) => onLook({ ...now, maybe: e.target.checked ? [now.count + 1] : [] })}
          />{' '}
          it may have been {now.count + 1}
        </label>
      )}
    </>
  );
}

function LongShort({ stage, look, onLook }: Part) {
  const pattern = look?.kind === 'rhythm' ? look.pattern : '';
  const write = (next: string) => onLook({ kind: 'rhythm', stage: stage.id, pattern: next.slice(0, 60) });
  return (
    <div role="group" aria-label={stage.label} className="stack">
      <p className="two-lines" aria-live="polite">
        {pattern === '' ? <span className="soft">long and short, as they come</span> : <Marks pattern={pattern} />}
      </p>
      <div className="row">
        <Button size="glove" onClick={() => write(`${pattern}s`)}>
          short
        </Button>
        <Button size="glove" onClick={() => write(`${pattern}l`)}>
          long
        </Button>
        <Button size="glove" onClick={() => write(`${pattern}?`)}>
          cannot tell
        </Button>
        <Button disabled={pattern === ''} onClick={() => write(pattern.slice(0, -1))}>
          one back
        </Button>
      </div>
    </div>
  );
}

export function Marks({ pattern }: { pattern: string }) {
  return (
    <span
      className="row marks"
      role="img"
      aria-label={[...pattern].map((c) => (c === 'l' ? 'long' : c === 's' ? 'short' : 'not told')).join(' ')}
    >
      {[...pattern].map((c, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a mark is its place
        <span key={i} className={c === 'l' ? 'long' : c === 's' ? 'short' : 'open'} />
      ))}
    </span>
  );
}

/** What the display shows, typed in the face of the display. */
function DisplayInput({ readout, stage, look, parts, onLook }: StageProps) {
  const { reads } = stage;
  const text = look?.kind === 'text' ? look.text : '';
  const bytes = reads.kind === 'bytes' && text.trim() !== '' ? readBytesText(text) : null;
  const pair = bytes?.ok ? pairOfBytes(bytes.value) : null;
  const field = reads.kind === 'value' ? valueFieldOf(reads, parts) : null;
  return (
    <div className="stack">
      <label className="field">
        {reads.kind === 'value'
          ? `And the value in turn${field ? ` (${field.name})` : ''}?`
          : 'What does the display show?'}
        <Input
          fullWidth
          className="find-box"
          autoComplete="off"
          value={text}
          onChange={(e) => onLook({ kind: 'text', stage: stage.id, text: e.target.value })}
          slotProps={{
            input: {
              style: { textTransform: 'uppercase', letterSpacing: '0.12em' },
              maxLength: 40,
              autoCapitalize: 'characters',
              spellCheck: false,
              inputMode: reads.kind === 'value' ? 'decimal' : 'text',
            },
          }}
        />
      </label>
      <p className="soft small">
        {reads.kind === 'bytes'
          ? bytesHint(bytes, pair?.ok ? `${pairText(pair.value)}, ${pair.value.count} times` : null)
          : reads.kind === 'pair'
            ? 'the two numbers with anything between: 412-7, 412.7, 412 7'
            : field
              ? valueHint(field, text)
              : `? for a place you cannot tell${readout.stages.length > 1 ? '; it shows in turn' : ''}`}
      </p>
    </div>
  );
}

function bytesHint(bytes: ReturnType<typeof readBytesText> | null, pair: string | null): string {
  if (pair) return `that is ${pair}`;
  if (!bytes || bytes.ok) return 'four bytes, such as 9C 01 07 05';
  return bytes.error.code === 'not-four-bytes'
    ? `${bytes.error.bytes} byte${bytes.error.bytes === 1 ? '' : 's'} so far; it takes four`
    : `what stands at ${bytes.error.column} is no hexadecimal digit`;
}

/** What a live value is, and whether it is one at all. */
function valueHint(field: ReadsOf<'value'>['fields'][number], text: string): string {
  const unit =
    field.quantity === null || field.quantity === 'count' ? '' : ` ${field.unit ?? baseUnit(field.quantity)}`;
  const value = Number(text.replace(',', '.'));
  const range = `from ${field.least} to ${field.most}${unit}`;
  if (text.trim() === '') return range;
  if (Number.isNaN(value)) return `“${text}” is no number; it runs ${range}`;
  return value < field.least || value > field.most
    ? `${value}${unit} is out of what it can show, ${range}: look again`
    : `${value.toFixed(field.decimals)}${unit}, ${range}`;
}
