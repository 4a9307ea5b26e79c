import type { LampColour, Look, Readout, SeenLamp, Sign, SignId, Stage } from '@wire-trail/core';
import { blinkingStates, lampTraits } from '@wire-trail/core';

/** What one tap says of a lamp. */
export type LampTold = Readonly<{ state: SeenLamp; colour?: LampColour }>;

const colourLetters = /[RGAWBY]/;

/** Whether the colour of a lamp matters to this stage. */
const tellsColour = (stage: Stage): boolean =>
  stage.reads.kind === 'lamps' &&
  stage.reads.to.kind === 'table' &&
  stage.reads.to.rows.some((r) => colourLetters.test(r.pattern));

/** Everything a lamp of this stage may be told as, in the order of taps: what counts first, doubt behind it. */
export function lampCycle(readout: Readout, stage: Stage, sign: Sign | undefined): LampTold[] {
  const used = new Set<SeenLamp>(['dark']);
  const { reads } = stage;
  if (reads.kind === 'lamps') {
    used.add(reads.offIs).add(reads.onIs);
    if (reads.to.kind === 'table')
      for (const { pattern } of reads.to.rows) {
        for (const state of blinkingStates) if (pattern.includes(lampTraits[state].letter)) used.add(state);
      }
  } else used.add('lit');
  const special = new Set(
    readout.specials.flatMap((s) =>
      s.signs.flatMap((x) => (x.kind === 'lamp' && x.sign === sign?.id ? [x.state] : [])),
    ),
  );
  const states: SeenLamp[] = [...used, 'unsure', ...blinkingStates.filter((s) => special.has(s) && !used.has(s))];
  const colours = tellsColour(stage) && sign?.kind === 'lamp' && sign.colours.length > 1 ? sign.colours : [];
  return states.flatMap((state): LampTold[] =>
    state === 'lit' && colours.length > 0 ? colours.map((colour) => ({ state, colour })) : [{ state }],
  );
}

/** Signs of a stage whose lamps can be told, with what each shows when it is off. */
const lampsOf = (stage: Stage): SignId[] => {
  const { reads } = stage;
  return 'lamps' in reads ? reads.lamps.map((l) => l.sign) : [reads.sign];
};

/** The look after a lamp was told to show this. The first word of any lamp says that the others are off. */
export function toldLamp(stage: Stage, look: Look | undefined, sign: SignId, said: LampTold): Look {
  const off = stage.reads.kind === 'lamps' ? stage.reads.offIs : 'dark';
  const before = look?.kind === 'lamps' ? look : null;
  const lamps = before?.lamps ?? Object.fromEntries(lampsOf(stage).map((s) => [s, off]));
  const { [sign]: _, ...colours } = before?.colours ?? {};
  const coloured = said.colour ? { ...colours, [sign]: said.colour } : colours;
  return {
    kind: 'lamps',
    stage: stage.id,
    lamps: { ...lamps, [sign]: said.state },
    ...(Object.keys(coloured).length > 0 && { colours: coloured }),
  };
}

/** The look after a lamp was tapped: the next thing it may show. */
export function tappedLamp(readout: Readout, stage: Stage, look: Look | undefined, sign: Sign): Look {
  const cycle = lampCycle(readout, stage, sign);
  const before = look?.kind === 'lamps' ? look : null;
  const now = before?.lamps[sign.id] ?? (stage.reads.kind === 'lamps' ? stage.reads.offIs : 'dark');
  const at = cycle.findIndex((c) => c.state === now && c.colour === before?.colours?.[sign.id]);
  const next =
    cycle[
      (Math.max(
        at,
        cycle.findIndex((c) => c.state === now),
      ) +
        1) %
        cycle.length
    ];
  return toldLamp(stage, look, sign.id, next ?? { state: 'dark' });
}
