import type { Readout, Scene, Shown, SignId } from '@wire-trail/core';
import { type LampRate, lampTraits } from '@wire-trail/core';

const isOn = (shown: Shown): boolean =>
  shown.kind === 'lamp' ? shown.state !== 'dark' : shown.kind === 'sound' ? shown.state === 'on' : shown.text !== '';

const rateWords = (rate: LampRate | null, rates: Readout['rates']): string =>
  rate === null ? '' : `${rates[rate]} a second`;

/** What each sign does over one round: a lane for each, light as bars, texts as they stand, and where it is now. */
export function SceneLanes({
  scene,
  atMs,
  nameOf,
  colourOf,
  rates,
}: {
  scene: Scene;
  atMs: number;
  nameOf: (sign: string) => string;
  colourOf: (sign: string) => string;
  rates: Readout['rates'];
}) {
  const signs = [...new Set(scene.cues.map((c) => c.shown.sign))] as SignId[];
  const x = (ms: number): number => (ms / scene.periodMs) * 100;
  return (
    <div className="timeline" role="img" aria-label={`one round lasts ${(scene.periodMs / 1000).toFixed(1)} seconds`}>
      {signs.map((sign) => (
        <div key={sign}>
          <span className="small">{nameOf(sign)}</span>
          <div className="board scene-track">
            {scene.cues
              .filter((c) => c.shown.sign === sign && isOn(c.shown))
              .map((c) => (
                <span
                  key={c.fromMs}
                  className={`scene-bar ${c.shown.kind === 'lamp' ? `${c.shown.state} ${c.shown.colour ?? colourOf(sign)}` : c.shown.kind}`}
                  style={{ left: `${x(c.fromMs)}%`, width: `${x(c.toMs - c.fromMs)}%` }}
                >
                  {c.shown.kind === 'text'
                    ? c.shown.text
                    : c.shown.kind === 'lamp'
                      ? rateWords(lampTraits[c.shown.state].blinks, rates)
                      : ''}
                </span>
              ))}
            <span className="scene-now" style={{ left: `${x(atMs)}%` }} />
          </div>
        </div>
      ))}
      <p className="small soft row spread">
        <span>0</span>
        <span>{(scene.periodMs / 1000).toFixed(1)} s, then again</span>
      </p>
    </div>
  );
}
