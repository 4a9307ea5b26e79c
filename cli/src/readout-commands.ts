import {
  decode,
  encode,
  entriesOf,
  entryOf,
  evenTrace,
  genericMeaning,
  ifWords,
  isRhythmic,
  labelsOf,
  lightsOf,
  listedOf,
  liveValueWords,
  lookAlikes,
  matchPulses,
  matchTrace,
  type Pulse,
  patternsOf,
  pulsesOf,
  type Readout,
  readCaller,
  readPulses,
  readSeries,
  type Sample,
  Seen,
  schedule,
  showsCode,
} from '@wire-trail/core';
import type { Options, Output } from './commands.ts';
import { readBundleFile, readBytes, readShape, UnusableInput } from './input.ts';

const refuse = (file: string, reason: string, path: Array<string | number> = []): never => {
  throw new UnusableInput([{ file, path, reason }]);
};

/** The readout somebody named, with the codes it shows. */
function readoutIn(file: string, id: string | undefined) {
  const bundle = readBundleFile(file);
  const readout = entryOf(bundle, 'readout', id);
  const known = entriesOf(bundle, 'readout').map((r) => r.id);
  if (!readout) return refuse(file, `holds no readout “${id ?? ''}”; it has ${known.join(', ') || 'none'}`);
  const codes = entriesOf(bundle, 'code').filter((c) => showsCode(readout, c));
  const panels = entriesOf(bundle, 'panel');
  const panel = panels[0] && { ...panels[0], faces: panels.flatMap((p) => p.faces) };
  if (!panel) return refuse(file, 'holds no panel');
  return { bundle, readout, panel, labels: labelsOf(panels), listed: listedOf(codes) };
}

/** Kinds of look that go with each way of reading; steady lamps can be told of rhythmic stages too. */
function fitsStage(readout: Readout, look: Seen['looks'][number]): boolean {
  const reads = readout.stages.find((s) => s.id === look.stage)?.reads;
  if (!reads) return false;
  if (reads.kind === 'lamps') return look.kind === 'lamps';
  return isRhythmic(reads) ? look.kind !== 'text' : look.kind === 'text';
}

/** What a readout may be showing, given a file of what was seen or what somebody said. */
export function runDecode(file: string, options: Options): Output {
  const { bundle, readout, panel, listed, labels } = readoutIn(file, options.readout);
  if (options.said !== undefined) {
    const heard = readCaller(readout, options.said, labels);
    const readings = heard.readings.map((r) => ({
      as: r.as,
      decoded: decode(readout, listed, { slot: 1, looks: [...r.looks] }),
    }));
    return {
      json: { ...heard, readings: readings.map(({ as, decoded }) => ({ as, ...decoded })) },
      lines: [
        ...readings.map(
          ({ as, decoded }) => `${as.padEnd(12)}${decoded.literal ?? decoded.candidates[0]?.code ?? 'nothing'}`,
        ),
        ...(heard.ask ? ['ask which is meant'] : []),
        ...(heard.unread.length > 0 ? [`not understood: ${heard.unread.join(' ')}`] : []),
      ],
      errors: readings.length === 0,
    };
  }
  if (!options.seen) return refuse('--seen', 'names the file of what was seen');
  const seen = readShape(options.seen, Seen);
  seen.looks.forEach((look, i) => {
    if (!fitsStage(readout, look))
      refuse(options.seen ?? '', `the readout has no stage “${look.stage}” that is read by ${look.kind}`, [
        'looks',
        i,
        'stage',
      ]);
  });
  const decoded = decode(readout, listed, seen);
  const [first] = decoded.candidates;
  const general = first?.kind === 'unlisted' ? genericMeaning(bundle, first.code)?.says : undefined;
  return {
    json: { ...decoded, ...(general && { general }) },
    lines: [
      ...decoded.candidates.map(
        (c) =>
          `${c.code.padEnd(16)}${(c.certainty * 100).toFixed(1).padStart(5)} %  ${[c.kind, ifWords(c, panel)].filter(Boolean).join(', ')}`,
      ),
      ...(decoded.rest > 0.005
        ? [`${'none of these'.padEnd(16)}${(decoded.rest * 100).toFixed(1).padStart(5)} %`]
        : []),
      ...(decoded.noSuchPattern ? ['no code shows like this'] : []),
      ...(general ? [`in general: ${general}`] : []),
      ...decoded.values.map((v) => liveValueWords(v)),
      ...decoded.disagreements.map((d) => `told otherwise before: ${d.sign ?? d.stage} ${d.told.join(', then ')}`),
      ...decoded.undecided.map((u) => `look at ${u.sign ?? u.stage} (${u.kind}): ${u.bits.toFixed(2)} bits`),
    ],
    errors: false,
  };
}

/** What each sign does over time for one code. */
export function runEncode(file: string, options: Options): Output {
  const { readout } = readoutIn(file, options.readout);
  if (!options.code) return refuse('--code', 'names the code to show');
  const scenes = schedule(readout, options.code);
  const stages = encode(readout, options.code);
  if (!scenes.ok || !stages.ok) return refuse('--code', `“${readout.name}” cannot show ${options.code}`);
  return {
    json: { stages: stages.value, scenes: scenes.value },
    lines: scenes.value.flatMap((scene, i) => [
      `${i === 0 ? 'at first' : `after ${scene.after ?? 'a gesture'}`}, repeats after ${scene.periodMs} ms`,
      ...scene.cues.map(({ fromMs, toMs, shown }) => {
        const what = shown.kind === 'text' ? `“${shown.text}”` : shown.state;
        const colour = shown.kind === 'lamp' && shown.colour ? ` ${shown.colour}` : '';
        return `  ${String(Math.round(fromMs)).padStart(6)} to ${String(Math.round(toMs)).padStart(6)} ms  ${shown.sign} ${what}${colour}`;
      }),
    ]),
    errors: false,
  };
}

/** A file of two columns or more as taps, where its header says `down`, else as brightness over time. */
function readTimes(file: string): { taps: Pulse[] | null; lamps: Array<{ name: string; samples: Sample[] }> } {
  const series = readSeries(readBytes(file).toString('utf8'));
  if (!series.ok) {
    const { error } = series;
    if (error.code === 'not-a-number')
      return refuse(file, `“${error.text}” is no number`, ['line', error.line, error.column]);
    return refuse(file, seriesWords[error.code]);
  }
  const { names, rows } = series.value;
  if (/^(down|from|press)/i.test(names[0] ?? ''))
    return { taps: rows.map(([down, up]): Pulse => [down ?? 0, up ?? 0]), lamps: [] };
  return {
    taps: null,
    lamps: names.slice(1).map((name, i) => ({
      name,
      samples: rows.map((row): Sample => ({ atMs: row[0] ?? 0, level: row[i + 1] ?? 0 })),
    })),
  };
}
const seriesWords = {
  empty: 'is empty',
  'one-column': 'needs two columns: time in ms, and a value; or down and up',
  'too-large': 'holds more than two million rows',
} as const;

/** Symbols of taps or of brightness over time; with a readout, what it fits. */
export function runRhythm(file: string, options: Options): Output {
  const series = readTimes(file);
  const found = options.bundle ? readoutIn(options.bundle, options.readout) : null;
  const stage = found?.readout.stages.find((s) => isRhythmic(s.reads));
  if (found && !stage) return refuse('--readout', `“${found.readout.name}” keeps no time`);
  const patterns = found && stage ? patternsOf(found.readout, stage) : null;
  if (series.taps) {
    const read = readPulses(series.taps);
    const fits = patterns ? matchPulses(series.taps, patterns, 'taps') : null;
    return {
      json: { ...read, fits },
      lines: [`${read.runs.join(' ') || 'nothing'}  ${(read.certainty * 100).toFixed(0)} %`],
      errors: false,
    };
  }
  const lamps = series.lamps.map(({ name, samples }) => {
    const trace = evenTrace(samples);
    const lights = lightsOf(trace);
    const pulses = lights ? pulsesOf(lights) : [];
    const match = patterns ? matchTrace(trace, patterns, lights) : null;
    const { rounds: _, ...read } = readPulses(pulses);
    return {
      lamp: name,
      ...read,
      pulses,
      decibels: lights?.decibels ?? null,
      fits: match?.ok ? match.value.fits : null,
      refused: match && !match.ok ? match.error.refusal : null,
    };
  });
  return {
    json: { lamps },
    lines: lamps.map(
      (l) => `${l.lamp.padEnd(12)}${l.runs.join(' ') || 'nothing'}  ${(l.certainty * 100).toFixed(0)} %`,
    ),
    errors: false,
  };
}

/** Codes that one slip turns into others. */
export function runLookAlikes(file: string, options: Options): Output {
  const { readout, listed } = readoutIn(file, options.readout);
  const found = lookAlikes(readout, [...new Set(listed.map((l) => l.text))]);
  return {
    json: found,
    lines: found.map(
      ({ code, becomes, slip }) =>
        `${code.padEnd(12)}${becomes.padEnd(12)}${slip.kind}${'sign' in slip ? ` ${slip.sign}` : ''}`,
    ),
    errors: false,
  };
}
