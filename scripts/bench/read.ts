import { readFileSync } from 'node:fs';
import {
  decode,
  encode,
  entriesOf,
  glimpse,
  type Look,
  lookAlikes,
  looksOf,
  type Picture,
  Readout,
  readBundle,
  regionLevels,
  seeded,
  shiftOf,
} from '@wire-trail/core';
import { madeLook, saidFiles, sayingsOf, takenFrom, usualSlipping } from '@wire-trail/core/testing';
import { readTaps, readTraces } from './rhythm.ts';
import { median, type Row, row } from './row.ts';

const timed = (work: () => void): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

/** Two rows of lamps by weights that can show 1,000 codes and more. */
function thousand(): { readout: Readout; texts: string[] } {
  const lamps = (id: string, n: number) => Array.from({ length: n }, (_, i) => ({ sign: `${id}${i}`, weight: 2 ** i }));
  const stage = (id: string, n: number, digits: number) => ({
    id,
    label: id,
    comes: { kind: 'at-once' },
    reads: { kind: 'lamps', lamps: lamps(id, n), to: { kind: 'number', least: 1, most: 2 ** n - 1, digits } },
  });
  const readout = Readout.parse({
    kind: 'readout',
    id: 'made',
    family: 'made-up',
    name: 'Made up',
    controller: 'main',
    modes: ['memory'],
    stages: [stage('p', 5, 2), stage('q', 6, 2)],
    compose: ['p', 'q'].map((s) => ({ kind: 'stage', stage: s })),
    standing: 'document',
  });
  const two = (n: number): string => String(n).padStart(2, '0');
  const texts = Array.from({ length: 31 * 63 }, (_, i) => `${two(1 + Math.floor(i / 63))}${two(1 + (i % 63))}`);
  return { readout, texts: texts.slice(0, 1000) };
}

const perfect = (readout: Readout, text: string): Look[] => {
  const shows = encode(readout, text);
  if (!shows.ok) throw new Error(text);
  return looksOf(readout, shows.value);
};
/** The same looks with lamps told as doubtful, one in each of so many stages. */
const doubtful = (looks: readonly Look[], stages: number, n: number): Look[] =>
  looks.map((look, s) => {
    if (look.kind !== 'lamps' || s >= stages) return look;
    const signs = Object.keys(look.lamps);
    return { ...look, lamps: { ...look.lamps, [signs[n % signs.length] ?? '']: 'unsure' } };
  });

function decodesPerS(): number {
  const read = readBundle(JSON.parse(readFileSync(new URL('../../demo/brindlewick-g4.json', import.meta.url), 'utf8')));
  if (!read.ok) throw new Error('the demo does not read');
  const [readout] = entriesOf(read.value, 'readout');
  if (!readout) throw new Error('the demo has no readout');
  const codes = entriesOf(read.value, 'code').map((c) => ({ text: c.text, frequency: c.frequency }));
  const seen = codes.map(({ text }, n) => ({ slot: 1, looks: doubtful(perfect(readout, text), 2, n) }));
  const perRound = 2000;
  const rates = Array.from(
    { length: 9 },
    () =>
      perRound /
      (timed(() => {
        for (let i = 0; i < perRound; i++) decode(readout, codes, seen[i % seen.length] ?? { slot: 1, looks: [] });
      }) /
        1000),
  );
  return median(rates.slice(1));
}

function doubtMs(): number {
  const { readout, texts } = thousand();
  const listed = texts.map((text) => ({ text, frequency: 1 }));
  const seen = texts.slice(0, 200).map((text, n) => ({ slot: 1, looks: doubtful(perfect(readout, text), 2, n) }));
  const each = seen.map((s) => timed(() => decode(readout, listed, s)));
  return median(each.slice(20));
}

function lookalikesMs(codes: number): number {
  const { readout, texts } = thousand();
  const some = texts.slice(0, codes);
  return median(Array.from({ length: 5 }, () => timed(() => lookAlikes(readout, some))));
}

/** Pictures a second: where the hand has moved to, and eight lamps with their surroundings. */
function cameraFps(): number {
  const [width, height] = [640, 480];
  const random = seeded(4);
  const pictures = Array.from({ length: 8 }, (): Picture => {
    const data = new Uint8ClampedArray(width * height * 4);
    for (let i = 0; i < data.length; i++) data[i] = 90 + ((i >> 6) % 40) + random() * 30;
    return { width, height, data };
  });
  const regions = Array.from({ length: 8 }, (_, i) => ({ x: 60 + 70 * i, y: 200 + 10 * i, r: 18 }));
  const first = glimpse(pictures[0] as Picture);
  const frames = 240;
  const took = timed(() => {
    let shift = { dx: 0, dy: 0 };
    for (let i = 0; i < frames; i++) {
      const picture = pictures[i % pictures.length] as Picture;
      shift = shiftOf(first, glimpse(picture), shift);
      regionLevels(picture, regions, shift);
    }
  });
  return frames / (took / 1000);
}

/** Made-up looks with slips: what is said to be as good as certain, how often that is wrong, and what is decided of looks with a slip at most. */
function certainty(looks: number, rate: number) {
  let [sure, right, easy, decided] = [0, 0, 0, 0];
  for (let seed = 500_000; seed < 500_000 + looks; seed++) {
    const { readout, listed, seen, truth, slips, confused } = madeLook(seed, { ...usualSlipping, rate });
    const [first] = decode(readout, listed, seen).candidates;
    const isSure = (first?.certainty ?? 0) >= 0.9;
    const isRight = first?.code === truth;
    if (isSure) sure++;
    if (isSure && isRight) right++;
    if (slips + (confused ? 1 : 0) > 1) continue;
    easy++;
    if (isSure && isRight) decided++;
  }
  return { calibration: right / sure, decided: decided / easy, confidentlyWrong: (sure - right) / looks };
}

/** Share of sayings that are taken as a careful listener takes them. */
function saidShare(): number {
  const all = saidFiles().flatMap(sayingsOf);
  const sorted = (means: string) => means.split(' or ').sort().join(' or ');
  return all.filter((s) => sorted(takenFrom(s)) === sorted(s.means)).length / all.length;
}

/** Reading codes: how fast with doubt, how right by rhythm, and how each grows from 1× to 10×. */
export function benchRead(): Row[] {
  doubtMs();
  const doubt = doubtMs();
  lookalikesMs(1000);
  const [alike, alike1] = [lookalikesMs(1000), lookalikesMs(100)];
  cameraFps();
  const fps = cameraFps();
  const traces = readTraces(10, 1500, 11);
  const taps = readTaps(1500, 12);
  const [usual, halved, doubled] = [certainty(6000, 1), certainty(3000, 0.5), certainty(3000, 2)];
  const said = saidShare();
  return [
    row('read.decodesPerS', Math.round(decodesPerS()), 'decodes/s'),
    row('read.doubtMs', doubt, 'ms', '≤ 1', doubt <= 1),
    row('read.lookalikesMs', alike, 'ms', '≤ 200', alike <= 200),
    row('read.lookalikesGrowth10', alike / alike1, '×'),
    row('read.cameraFps', Math.round(fps), 'frames/s', '≥ 150', fps >= 150),
    row('read.rhythmRight10dB', traces.right, 'share', '≥ 0.995', traces.right >= 0.995),
    row('read.rhythmWrong10dB', traces.wrong, 'share', '≤ 0.001', traces.wrong <= 0.001),
    row('read.calibration', usual.calibration, 'share', '≥ 0.9', usual.calibration >= 0.9),
    row('read.calibrationHalved', halved.calibration, 'share', '≥ 0.9', halved.calibration >= 0.9),
    row('read.calibrationDoubled', doubled.calibration, 'share', '≥ 0.9', doubled.calibration >= 0.9),
    row('read.decided', usual.decided, 'share', '≥ 0.7', usual.decided >= 0.7),
    row('read.confidentlyWrong', usual.confidentlyWrong, 'share', '≤ 0.01', usual.confidentlyWrong <= 0.01),
    row('read.saidShare', said, 'share', '≥ 0.95', said >= 0.95),
    row('read.tapsRight', taps, 'share', '≥ 0.98', taps >= 0.98),
  ];
}
