import { describe, expect, it } from 'vitest';
import { bundleFacts } from '../index.ts';
import { boardBundle } from '../testing/unit.ts';
import { namesOf, placeNamed } from './names.ts';
import { momentNext, seenNext } from './signs.ts';
import { Stream } from './stream.ts';
import { tokensOf } from './tokens.ts';

const facts = bundleFacts(boardBundle([]));
const names = namesOf(facts, [{ id: 'link-box', name: 'Link box' }]);
const stream = (text: string) => new Stream(tokensOf(text));

describe('tokens', () => {
  it.each<[string, Array<string | number>]>([
    ['Press it twice.', ['press', 'it', 'twice', '.']],
    ['holding, pressed, closing', ['hold', ',', 'pressed', ',', 'shut']],
    ['five 5.8 1,5 10', [5, 5.8, 1.5, 10]],
    ['the "Read pairs" entry', ['the', 'Read pairs', 'entry']],
    ['two seconds’ rest', [2, 'second', 'rest']],
    ['×10', ['×10']],
  ])('%j', (text, words) => expect(tokensOf(text).map((t) => t.value ?? t.word)).toEqual(words));
  it('know where they stand', () => {
    const text = 'Hold  the rocker.';
    for (const t of tokensOf(text)) expect(text.slice(t.from, t.to)).toBe(t.raw);
  });
});

describe('times', () => {
  const exactly = (ms: number) => ({ leastMs: ms, usualMs: ms, mostMs: ms });
  it.each<[string, object | null]>([
    ['five seconds', exactly(5000)],
    ['for about 3 s', exactly(3000)],
    ['half a minute', exactly(30_000)],
    ['a second', exactly(1000)],
    ['1.5 seconds', exactly(1500)],
    ['2 min', exactly(120_000)],
    ['six to nine seconds', { leastMs: 6000, usualMs: 7500, mostMs: 9000 }],
    ['6 s to 9 s', { leastMs: 6000, usualMs: 7500, mostMs: 9000 }],
    ['between five and ten seconds', { leastMs: 5000, usualMs: 7500, mostMs: 10_000 }],
    ['at least five seconds, ten at most', { leastMs: 5000, usualMs: 7500, mostMs: 10_000 }],
    ['no longer than a minute', { leastMs: 0, usualMs: 30_000, mostMs: 60_000 }],
    ['five', null],
    ['soon', null],
  ])('%j', (text, span) => expect(stream(text).span()).toEqual(span));
  it.each<[string, number | null]>([
    ['once', 1],
    ['twice', 2],
    ['three times', 3],
    ['5 times', 5],
    ['five', null],
    ['often', null],
  ])('%j is a count', (text, n) => expect(stream(text).count()).toBe(n));
  it('what is not read is not taken', () => {
    const s = stream('five buttons');
    s.span();
    expect(s.i).toBe(0);
  });
});

describe('signs', () => {
  const seen = (text: string) => {
    const got = seenNext(stream(text), names);
    return (
      got &&
      `${got.must} ${got.signs.map((s) => `${s.sign} ${s.kind === 'text' ? s.text : s.state}${s.kind === 'lamp' && s.colour ? ` ${s.colour}` : ''}`).join(', ')}`
    );
  };
  it.each<[string, string | null]>([
    ['lamp l1 lights', 'must l1 lit'],
    ['lamp l1 goes out', 'must l1 dark'],
    ['lamp l2 flashes fast red', 'must l2 fast red'],
    ['lamp l2 slowly flashes', 'must l2 slow'],
    ['l1 turns green', 'must l1 lit green'],
    ['both lamps flash quickly', 'must l1 fast, l2 fast'],
    ['neither lamp may light', 'must-not l1 lit, l2 lit'],
    ['lamp l1 must not light', 'must-not l1 lit'],
    ['lamp l1 may light', 'may l1 lit'],
    ['wait until the line says READY', 'must line READY'],
    ['READY appears on the line', 'must line READY'],
    ['the display shows four dashes', 'must line ----'],
    ['you hear three beeps', 'must beep on'],
    ['the beeper stops', 'must beep off'],
    ['the moon rises', null],
    ['lamp l9 lights', null],
  ])('%j', (text, said) => expect(seen(text)).toBe(said));
  it.each<[string, object | null]>([
    ['the second beep', { kind: 'sign', nth: 2 }],
    ['the beep', { kind: 'sign', nth: 1 }],
    ['power-on', { kind: 'power-on' }],
    ['switching on', { kind: 'power-on' }],
    ['lamp l1 lights', { kind: 'sign', shown: { sign: 'l1', state: 'lit' } }],
    ['the fourth', null],
    ['noon', null],
  ])('%j is a moment', (text, moment) => {
    const got = momentNext(stream(text), names);
    if (moment === null) expect(got).toBeNull();
    else expect(got).toMatchObject(moment);
  });
});

describe('names', () => {
  it('one that two things share names neither', () => {
    expect(names.controls.filter((n) => n.words.join(' ') === 'button')).toEqual([]);
    expect(names.signs.filter((n) => n.words.join(' ') === 'lamp')).toEqual([]);
  });
  it.each<[string, string, string | null]>([
    ['lid', 'open', 'open'],
    ['lid', 'down', 'shut'],
    ['power', 'on', 'on'],
    ['rocker', 'up', 'up'],
    ['knob', 'side', 'side'],
    ['lid', 'sideways', null],
  ])('%s %s', (control, word, place) => {
    const own = facts.controls.get(control as never);
    expect(own && (placeNamed(own, [word])?.place ?? null)).toBe(place);
  });
});
