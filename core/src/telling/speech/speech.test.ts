import { existsSync, readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Bundle, bundleFacts, printSteps, readBundle } from '../../index.ts';
import { readIn } from './captions.ts';
import { readTold } from './read.ts';
import { corrected } from './segments.ts';
import { stretchesOf } from './stretches.ts';
import { wordsOf } from './text.ts';

const folder = new URL('../../../../tellings/', import.meta.url);
type Telling = Readonly<{ name: string; raw: string; bundle: Bundle }>;
const tellings: Telling[] = ['shared', 'blind'].flatMap((set) =>
  readdirSync(new URL(`${set}/`, folder)).map((name) => {
    const at = (file: string) => new URL(`${set}/${name}/${file}`, folder);
    const bundle = readBundle(JSON.parse(readFileSync(at('unit.json'), 'utf8')));
    if (!bundle.ok) throw new Error(`${name} does not read`);
    const file = existsSync(at('telling.vtt')) ? 'telling.vtt' : 'telling.txt';
    return { name, raw: readFileSync(at(file), 'utf8'), bundle: bundle.value };
  }),
);
/** All that are shared, the last of the blind rounds, and every sixth of those before. */
const some = tellings.filter(({ name }, i) => !/^r(?:\d|[1-7]\d)-/.test(name) || i % 6 === 0);
type Recap = Readonly<{ unit: string; told: string; differs: string[]; open?: string }>;
/** Summings-up with what they say otherwise than the steps; those that are not read yet say why. */
const recaps = (JSON.parse(readFileSync(new URL('recaps.json', folder), 'utf8')) as Recap[]).filter((r) => !r.open);
const told = ({ raw, bundle }: Telling) => readTold(raw, bundleFacts(bundle));
const unit = tellings.find((t) => t.name.startsWith('r1-01')) as Telling;
const steps = (raw: string, of: Telling = unit): string[] =>
  readTold(raw, bundleFacts(of.bundle))
    .routes.flatMap((r) =>
      printSteps([...r.steps])
        .trimEnd()
        .split('\n'),
    )
    .filter(Boolean);

describe('speech, read', () => {
  it.each<[string, string[]]>([
    ['Press melt three times.', ['press melt 3 times']],
    ['You wanna press pour, twice, sorry, three times.', ['press pour 3 times']],
    ['press and hold eco for eight seconds', ['hold eco for 8 s']],
    ['Power off. You wait half a minute. Power back on.', ['set power off', 'rest 30 s', 'set power on']],
    ['melt and eco have to be pressed at the same time', ['together melt + eco']],
    ['get your thumb on melt and your finger on eco, both down', ['hold melt + eco']],
    ['Switch it off, count to ten, and switch it on again.', ['set power off', 'rest 10 s', 'set power on']],
    ['Hold melt until it beeps.', ['hold melt until beeper on']],
    // warnings, what others do, questions, meanings
    ['Never press melt.', []],
    ['Don’t hold melt, that opens the other menu.', []],
    ['My sister says you can press pour.', []],
    ['Do I press melt?', []],
    ['E12, the heater: 32 ohms at 20 degrees, press it in firmly.', []],
    ['The weather is fine and the coffee is hot.', []],
  ])('%j', (text, wanted) => expect(steps(text)).toEqual(wanted));

  it('what was taken back gives way to what took its place', () => {
    const plain = (text: string): string =>
      corrected(wordsOf(text))
        .map((w) => w.raw)
        .join(' ');
    expect(plain('press it twice, sorry, three times')).toBe('press it three times');
    expect(plain('wait three seconds no wait five seconds')).toBe('wait five seconds');
    expect(plain('three clicks to the left, sorry, to the right')).toBe('three clicks to the right');
  });
  it('captions and chats lose what is not said, and keep when and by whom', () => {
    const vtt = readIn(
      'WEBVTT\n\n00:00:01.500 --> 00:00:03.000\npress melt\n\n00:00:03.000 --> 00:00:05.000\nthree times',
    );
    expect([vtt.text, vtt.cues]).toEqual([
      'press melt three times',
      [
        { from: 0, atMs: 1500 },
        { from: 10, atMs: 3000 },
      ],
    ]);
    const chat = readIn('Ada: hello\nBo: power off\nAda: done\nBo: press melt');
    expect([chat.text, chat.turns.map((t) => t.who)]).toEqual([
      'hello\npower off\ndone\npress melt',
      ['Ada', 'Bo', 'Ada', 'Bo'],
    ]);
    expect(readIn('Note: press melt').turns).toEqual([]);
  });
  it('a summing-up that says otherwise is told', () => {
    const dryer = tellings.find((t) => t.name.startsWith('r2-05')) as Telling;
    const differs = readTold(
      'Turn the knob three clicks to the right. Then press the pad twice. So, in short: three clicks left, pad three times.',
      bundleFacts(dryer.bundle),
    ).contradictions.map((c) => c.about);
    expect(differs).toEqual(['direction', 'count']);
  });
  it.each(recaps.map((r) => [r.told.slice(-70), r] as const))('summed up: … %s', (_, { unit, told: text, differs }) => {
    const bundle = tellings.find((t) => t.name === unit)?.bundle;
    if (!bundle) throw new Error(`no unit ${unit}`);
    expect(readTold(text, bundleFacts(bundle)).contradictions.map((c) => c.about)).toEqual(differs);
  });
  it('finds nothing said differently in a row that is said again as it was, and the one thing that is', () => {
    const names = ['Hot', 'Mix', 'Cold'];
    const row = fc
      .array(fc.record({ of: fc.integer({ min: 1, max: 2 }), n: fc.integer({ min: 1, max: 5 }) }), {
        minLength: 5,
        maxLength: 8,
      })
      // each another one than the one before
      .map((all) => {
        let at = 0;
        return all.map(({ of, n }) => {
          at = (at + of) % 3;
          return { name: String(names[at]), n };
        });
      });
    const say = (all: ReadonlyArray<{ name: string; n: number }>): string =>
      all.map(({ name, n }) => (n === 1 ? name : `${name} ${n} times`)).join(', ');
    const boiler = tellings.find((t) => t.name === 'r4-02-boiler-captions')?.bundle;
    if (!boiler) throw new Error('no boiler');
    const about = (was: string, now: string): string[] =>
      readTold(
        `Key switch off. Now press ${was}. Key to service. To sum up: key off, ${now}, key to service.`,
        bundleFacts(boiler),
      ).contradictions.map((c) => c.about);
    fc.assert(
      fc.property(row, fc.nat(), (all, where) => {
        expect(about(say(all), say(all))).toEqual([]);
        const at = where % all.length;
        const more = all.map((r, i) => (i === at ? { ...r, n: 9 } : r));
        expect(about(say(all), say(more))).toContain('count');
      }),
      { numRuns: 20 },
    );
  });

  it.each(some.map((t) => [t.name, t] as const))(
    '%s: its stretches joined are its text, and every step has one',
    (_, telling) => {
      const read = told(telling);
      const stretches = stretchesOf(read);
      expect(stretches.map((s) => s.text).join('')).toBe(read.text);
      for (const route of read.routes) expect(route.phrases.length).toBe(route.steps.length);
      // nothing is made of what names nothing of the unit
      for (const s of stretches) if (s.is === 'step') expect(s.text).toMatch(/\S/);
      // the same answer twice
      if (/^\d/.test(telling.name)) expect(told(telling)).toEqual(read);
    },
  );
  it('tells how far it has come in a long one, never backwards', () => {
    const long = 'Then hold eco for three seconds, and press pour twice. '.repeat(600);
    const shares: number[] = [];
    readTold(long, bundleFacts(unit.bundle), (share) => shares.push(share));
    expect(shares.length).toBeGreaterThan(4);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(Math.min(...shares)).toBeGreaterThan(0);
    expect(Math.max(...shares)).toBeLessThan(1);
  });
  it('talk before or after changes no step', () => {
    const talk = fc.constantFrom(
      'Good morning everybody.',
      'My coffee is getting cold, but never mind.',
      'It rained all night and the roof leaks.',
      'Thanks for watching and see you next week.',
    );
    const told = 'Power off. Hold melt and eco. Power on. Let go at the second beep. Press pour five times.';
    const alone = steps(told);
    fc.assert(
      fc.property(fc.array(talk, { maxLength: 3 }), fc.array(talk, { maxLength: 3 }), (before, after) => {
        expect(steps([...before, told, ...after].join(' '))).toEqual(alone);
      }),
      { numRuns: 40 },
    );
    expect(alone.length).toBe(5);
  });
  it('another name for a control goes through to the steps', () => {
    const swap = (text: string): string => text.replaceAll(/\b(?:pour|eco)\b/g, (w) => (w === 'eco' ? 'pour' : 'eco'));
    for (const text of [
      'Press pour twice. Then hold eco for three seconds.',
      'Hold pour, and with that down press eco.',
    ]) {
      expect(steps(swap(text))).toEqual(steps(text).map(swap));
    }
  });
});
