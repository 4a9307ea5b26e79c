import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Slider from '@mui/material/Slider';
import { isRhythmic, partName, type Sign, type SignId, schedule, signsOfReads } from '@wire-trail/core';
import { type PointerEvent, useEffect, useMemo, useRef, useState } from 'react';
import { Select } from '../../../../../parts/field/Select.tsx';
import { faceOfSign } from '../../../../../parts/panel/face-of-sign.ts';
import type { StageProps } from '../use-decoding.ts';
import './camera.css';
import { CameraResult } from './CameraResult.tsx';
import { picture, regionOf, type Trouble } from './feed-picture.ts';
import type { Watched } from './messages.ts';
import { useCamera } from './use-camera.ts';
import { type SourceKind, type SourceTrouble, useSource } from './use-source.ts';

const troubleWords: Record<SourceTrouble, string> = {
  refused: 'The camera was refused. Allow it in the browser, or use a stored clip; nothing leaves this device.',
  none: 'This device has no camera. Use a stored clip, or the simulated one to see how it goes.',
  unplugged: 'The camera went away. What it saw until then is read below.',
  unreadable: 'This clip cannot be played here. Another form of video may be.',
};

/** Let the camera watch: point at each lamp in the picture, hold still, see the trace and what was made of it. */
export function CameraReader({ data, readout, stage, onLook, onClose }: StageProps & { onClose: () => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [kind, setKind] = useState<SourceKind>('camera');
  const [clip, setClip] = useState<File | null>(null);
  const [code, setCode] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<Trouble>({ shaky: false, dim: false, noisy: false });
  const signs = useMemo(() => signsOfReads(stage.reads), [stage]);
  const face = faceOfSign([data.panel], signs[0])?.face ?? data.front;
  const texts = useMemo(
    () => [...new Set(data.codes.flatMap((c) => (schedule(readout, c.text).ok ? [c.text] : [])))],
    [data.codes, readout],
  );
  const scene = useMemo(() => {
    const scenes = schedule(readout, code ?? texts[0] ?? '');
    return scenes.ok ? (scenes.value.find((s) => s.stages.includes(stage.id)) ?? null) : null;
  }, [readout, code, texts, stage.id]);
  const source = useSource(kind, clip, { face, scene, rates: readout.rates, trouble });
  const { watching, begin, stop, reset } = useCamera(canvas, source.drawNext);
  const [radius, setRadius] = useState(16);
  const [placed, setPlaced] = useState<readonly Watched[]>([]);
  const watched: readonly Watched[] =
    kind === 'simulated'
      ? signs.flatMap((sign) => {
          const found = face.signs.find((s): s is Sign => s.id === sign);
          return found ? [{ sign, region: regionOf(face, found) }] : [];
        })
      : placed.map((w) => ({ ...w, region: { ...w.region, r: radius } }));
  const next = signs.find((s) => !watched.some((w) => w.sign === s));
  const name = (sign: SignId): string => partName(data.panel, sign);
  useEffect(() => {
    if (source.ended) stop();
  }, [source.ended, stop]);
  const isWatching = watching.kind === 'watching';
  useEffect(() => {
    if (!isWatching) source.rest();
  }, [isWatching, source.rest]);
  const place = (event: PointerEvent<HTMLCanvasElement>) => {
    if (kind === 'simulated' || watching.kind !== 'still') return;
    const box = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * picture.width;
    const y = ((event.clientY - box.top) / box.height) * picture.height;
    const sign = next ?? signs[0];
    if (sign) setPlaced([...placed.filter((w) => w.sign !== sign), { sign, region: { x, y, r: radius } }]);
  };
  const choose = (to: SourceKind) => {
    setKind(to);
    setPlaced([]);
    reset();
  };
  return (
    <section className="sheet camera" aria-label="camera">
      <div className="row spread">
        <div className="row" role="group" aria-label="where the picture comes from">
          {(['camera', 'clip', 'simulated'] as const).map((k) => (
            <Button
              key={k}
              variant={k === kind ? 'contained' : 'outlined'}
              color={k === kind ? 'primary' : 'inherit'}
              aria-pressed={k === kind}
              onClick={() => choose(k)}
            >
              {k === 'camera' ? 'Camera' : k === 'clip' ? 'Stored clip' : 'Simulated'}
            </Button>
          ))}
        </div>
        <Button variant="text" onClick={onClose}>
          Close the camera
        </Button>
      </div>
      {kind === 'clip' && (
        <Button component="label">
          The clip{clip && `: ${clip.name}`}
          <input
            className="visually-hidden"
            type="file"
            accept="video/*"
            onChange={(e) => setClip(e.target.files?.[0] ?? null)}
          />
        </Button>
      )}
      {kind === 'simulated' && (
        <div className="row small">
          <label>
            it shows{' '}
            <Select native fullWidth value={code ?? texts[0] ?? ''} onChange={(e) => setCode(e.target.value)}>
              {texts.map((t) => (
                <option key={t}>{t}</option>
              ))}
            </Select>
          </label>
          {(['shaky', 'dim', 'noisy'] as const).map((t) => (
            <label key={t} className="row">
              <Checkbox checked={trouble[t]} onChange={(e) => setTrouble({ ...trouble, [t]: e.target.checked })} />
              {t === 'shaky' ? 'shaky hand' : t === 'dim' ? 'dim lamps' : 'poor light'}
            </label>
          ))}
        </div>
      )}
      {source.trouble && (
        <p className="note bad" role="alert">
          {troubleWords[source.trouble]}
        </p>
      )}
      <div className="board camera-view">
        <canvas ref={canvas} {...picture} data-testid="camera-picture" onPointerDown={place} />
        <svg
          className="overlay"
          viewBox={`0 0 ${picture.width} ${picture.height}`}
          pointerEvents="none"
          aria-hidden="true"
        >
          {watched.map(({ sign, region }) => (
            <g key={sign}>
              <circle fill="none" stroke="var(--white)" strokeWidth={3} cx={region.x} cy={region.y} r={region.r + 3} />
              <text x={region.x} y={region.y - region.r - 8} textAnchor="middle">
                {name(sign)}
              </text>
            </g>
          ))}
        </svg>
      </div>
      {watching.kind === 'still' && (
        <>
          <p role="status">
            {next && kind !== 'simulated' ? (
              <strong>Point at lamp {name(next)} in the picture.</strong>
            ) : (
              <strong>Hold still, then start. It stops by itself once it is sure.</strong>
            )}
          </p>
          {kind !== 'simulated' && (
            <div className="row small">
              <span id="circle-size">size of the circle</span>
              <Slider
                style={{ flex: 1 }}
                aria-labelledby="circle-size"
                min={6}
                max={48}
                value={radius}
                onChange={(_, to) => setRadius(Number(to))}
              />
            </div>
          )}
          <div className="row">
            <Button
              variant="contained"
              color="primary"
              disabled={
                watched.length === 0 || (next !== undefined && stage.reads.kind !== 'which') || source.drawNext === null
              }
              onClick={() => {
                source.run();
                begin({ readout, stage: stage.id, rhythmic: isRhythmic(stage.reads), watched });
              }}
            >
              Start watching
            </Button>
            {placed.length > 0 && (
              <Button onClick={() => setPlaced(placed.slice(0, -1))}>Take the last circle off</Button>
            )}
          </div>
        </>
      )}
      {watching.kind === 'watching' && (
        <>
          <p role="status">
            Watching, {((watching.atMs - watching.sinceMs) / 1000).toFixed(0)} s · {watching.frames} pictures
          </p>
          <Live levels={watching.levels} names={watched.map((w) => name(w.sign))} />
          <Button onClick={stop}>That is enough</Button>
        </>
      )}
      {watching.kind === 'read' && (
        <CameraResult
          lamps={watching.lamps}
          framesPerS={watching.framesPerS}
          rhythmic={isRhythmic(stage.reads)}
          name={name}
          stage={stage.id}
          onLook={onLook}
          onAgain={reset}
        />
      )}
    </section>
  );
}

/** What comes in at this moment, a line for each lamp. */
function Live({ levels, names }: { levels: ReadonlyArray<readonly number[]>; names: readonly string[] }) {
  return (
    <div className="trace">
      {names.map((n, lamp) => {
        const points = levels.map(
          (l, i) =>
            `${((i / Math.max(60, levels.length)) * 100).toFixed(2)},${(27 - ((l[lamp] ?? 0) / 255) * 25).toFixed(2)}`,
        );
        return (
          <svg
            key={n}
            viewBox="0 0 100 30"
            preserveAspectRatio="none"
            role="img"
            aria-label={`brightness of lamp ${n} now`}
          >
            <polyline points={points.join(' ')} />
          </svg>
        );
      })}
    </div>
  );
}
