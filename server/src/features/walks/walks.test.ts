import { randomUUID } from 'node:crypto';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Answer } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '../../demo.ts';
import { openSchool, Person, type School } from '../../testing/school.ts';

let school: School;
let technician: Person;
beforeAll(async () => {
  school = await openSchool();
  technician = await school.person('technician');
});
afterAll(() => school.close());

const walksIn = ({ body }: { body: unknown }) => (body as Answer<'walks'>).walks;

const begin = (walk = randomUUID()) => {
  let seq = 0;
  const event = (body: object) => ({
    id: randomUUID(),
    walk,
    seq,
    at: new Date(Date.UTC(2026, 4, 1, 8, seq++)).toISOString(),
    ...body,
  });
  return {
    walk,
    event,
    started: event({ kind: 'started', family: 'brindlewick-g4', bundle: 'x', from: { kind: 'panel' } }),
  };
};
const unit = {
  kind: 'unit',
  machine: randomUUID(),
  serial: 'G4-77',
  model: 'G4-20A',
  software: '2.6',
  variant: null,
  options: {},
  composition: [],
};

describe('events', () => {
  it('sent twice are stored once, in whatever pieces they come', async () => {
    const { walk, event, started } = begin();
    const rest = [
      event(unit),
      event({ kind: 'safe', hazards: [] }),
      event({ kind: 'waits', until: '2026-05-02', why: 'two cycles' }),
    ];
    expect((await technician.post('/events', { events: [rest[2], started] })).body).toMatchObject({
      stored: [rest[2]?.id, started.id],
      known: [],
      refused: [],
    });
    expect((await technician.post('/events', { events: [started, ...rest] })).body).toMatchObject({
      stored: [rest[0]?.id, rest[1]?.id],
      known: [started.id, rest[2]?.id],
    });
    const { events } = (await technician.get(`/walks/${walk}`)).body as { events: object[] };
    expect(events).toEqual([started, ...rest]);
    expect(walksIn(await technician.get('/walks?state=waiting'))).toMatchObject([
      { id: walk, serial: 'G4-77', station: 'enter', waitingUntil: '2026-05-02' },
    ]);
  });

  it('sent at once by ten requests are stored once', async () => {
    const { walk, started } = begin();
    const answers = await Promise.all(
      Array.from({ length: 10 }, () => technician.post('/events', { events: [started] })),
    );
    expect(answers.filter((a) => (a.body as { stored: string[] }).stored.length === 1)).toHaveLength(1);
    expect(((await technician.get(`/walks/${walk}`)).body as { events: object[] }).events).toHaveLength(1);
  });

  it('one wrong event does not hold up the rest', async () => {
    const { event, started } = begin();
    const wrong = event({ kind: 'answered', chart: 'c', node: 'n', answer: 'pass', reading: { typed: 'abc' } });
    const answer = (await technician.post('/events', { events: [started, wrong] })).body as {
      stored: string[];
      refused: Array<{ index: number; fields: Array<{ path: unknown[] }> }>;
    };
    expect(answer.stored).toEqual([started.id]);
    expect(answer.refused[0]).toMatchObject({ index: 1, id: wrong.id });
    expect(answer.refused[0]?.fields[0]?.path.slice(0, 3)).toEqual(['events', 1, 'reading']);
  });

  it('half a character is mended, and what came with it is kept', async () => {
    const { walk, event, started } = begin();
    const waits = event({ kind: 'waits', until: '2026-05-02', why: 'cut in \ud83d' });
    const answer = (await technician.post('/events', { events: [started, waits] })).body;
    expect(answer).toMatchObject({ stored: [started.id, waits.id], refused: [] });
    const { events } = (await technician.get(`/walks/${walk}`)).body as { events: Array<{ why?: string }> };
    expect(events[1]?.why).toBe('cut in \ufffd');
  });

  it('an event of another walk is not taken for one that is known', async () => {
    const [one, other] = [begin(), begin()];
    await technician.post('/events', { events: [one.started] });
    const copied = { ...other.event({ kind: 'resumed' }), id: one.started.id };
    expect((await technician.post('/events', { events: [other.started, copied] })).body).toMatchObject({
      stored: [other.started.id],
      known: [],
      refused: [{ id: one.started.id, fields: [{ reason: expect.stringMatching(/another walk/) }] }],
    });
  });

  it('a machine’s id that names another machine already holds nothing up', async () => {
    const machine = randomUUID();
    for (const serial of ['G4-ONE', 'G4-TWO']) {
      const { event, started } = begin();
      const own = event({ ...unit, machine, serial });
      expect((await technician.post('/events', { events: [started, own] })).body).toMatchObject({
        stored: [started.id, own.id],
        refused: [],
      });
      const seen = (await technician.get(`/machines/brindlewick-g4/${serial}`)).body;
      expect(seen).toMatchObject({ machine: { serial }, walks: [{}] });
    }
  });

  it('the first walks on a new machine, sent at the same moment, are all taken', async () => {
    for (let round = 0; round < 4; round++) {
      const sent = Array.from({ length: 6 }, () => {
        const { event, started } = begin();
        return [started, event({ ...unit, machine: randomUUID(), serial: `G4-RACE-${round}` })];
      });
      const answers = await Promise.all(sent.map((events) => technician.post('/events', { events })));
      expect(answers.map((a) => a.status)).toEqual(sent.map(() => 200));
      const { walks } = (await technician.get(`/machines/brindlewick-g4/G4-RACE-${round}`)).body as { walks: object[] };
      expect(walks).toHaveLength(6);
    }
  });

  it('a clock that is years ahead neither pins a machine nor tops the log', async () => {
    const machine = randomUUID();
    const walked = async (at: string, software: string) => {
      const { walk, event, started } = begin();
      const own = event({ ...unit, machine, serial: 'G4-AHEAD', software });
      const events = [
        { ...started, at },
        { ...own, at },
      ];
      await technician.post('/events', { events });
      return walk;
    };
    const ahead = await walked('2031-01-01T08:00:00.000Z', '2.4');
    const log = walksIn(await technician.get('/walks'));
    expect(Date.parse(log.find((w) => w.id === ahead)?.lastAt ?? '')).toBeLessThanOrEqual(Date.now());
    const kept = (await technician.get(`/walks/${ahead}`)).body as Answer<'walk'>;
    for (const { at, saidAt } of kept.events)
      expect([Date.parse(at) <= Date.now(), saidAt]).toEqual([true, '2031-01-01T08:00:00.000Z']);
    await new Promise((soon) => setTimeout(soon, 5));
    await walked(new Date().toISOString(), '2.6');
    expect((await technician.get('/machines/brindlewick-g4/G4-AHEAD')).body).toMatchObject({
      machine: { software: '2.6' },
    });
  });

  it('a walk belongs to whom it began with; trainers may read it', async () => {
    const { walk, event, started } = begin();
    await technician.post('/events', { events: [started] });
    const admin = await school.person('admin');
    await admin.post('/users', { name: 'Other', signIn: 'other', role: 'technician', password: 'a long password' });
    const other = new Person(school.base);
    await other.signIn('other');
    expect((await other.post('/events', { events: [event({ kind: 'resumed' })] })).body).toMatchObject({
      stored: [],
      refused: [{ fields: [{ reason: 'belongs to somebody else' }] }],
    });
    expect((await other.get(`/walks/${walk}`)).status).toBe(404);
    expect(walksIn(await other.get('/walks'))).toEqual([]);
    expect((await (await school.person('trainer')).get(`/walks/${walk}`)).status).toBe(200);
  });

  it('the same serial is the same machine, whichever device named it, with its earlier walks', async () => {
    for (const machine of [randomUUID(), randomUUID()]) {
      const { event, started } = begin();
      await technician.post('/events', { events: [started, event({ ...unit, machine, serial: 'G4-99' })] });
    }
    expect((await technician.get('/machines/brindlewick-g4/G4-99')).body).toMatchObject({
      machine: { serial: 'G4-99' },
      walks: [{}, {}],
    });
    expect((await technician.get('/machines/brindlewick-g4/none')).body).toEqual({
      machine: null,
      walks: [],
      ledger: [],
      readings: [],
    });
  });

  it('a walk that is sent late changes nothing a later one has seen of the machine', async () => {
    const machine = randomUUID();
    const seen = async (day: string, software: string) => {
      const { event, started } = begin();
      const own = event({ ...unit, machine, serial: 'G4-LATE', software });
      const at = `${day}T09:00:00.000Z`;
      await technician.post('/events', {
        events: [
          { ...started, at },
          { ...own, at },
        ],
      });
    };
    await seen('2026-05-03', '2.6');
    await seen('2026-04-01', '2.4');
    expect((await technician.get('/machines/brindlewick-g4/G4-LATE')).body).toMatchObject({
      machine: { software: '2.6', lastSeenAt: '2026-05-03T09:00:00.000Z' },
    });
  });

  it('a serial number that was set right is the same walk on another machine; the one nobody has seen is gone', async () => {
    const { walk, event, started } = begin();
    const unread = { ...unit, machine: randomUUID(), serial: 'NOT-READ-4F2A', serialUnread: true };
    await technician.post('/events', { events: [started, event(unread)] });
    const of = async (serial: string) =>
      (await technician.get(`/machines/brindlewick-g4/${serial}`)).body as { machine: object | null; walks: object[] };
    expect(await of('NOT-READ-4F2A')).toMatchObject({ machine: { serial: 'NOT-READ-4F2A' }, walks: [{ id: walk }] });
    await technician.post('/events', { events: [event({ ...unit, machine: randomUUID(), serial: 'G4-MENDED' })] });
    expect(await of('NOT-READ-4F2A')).toMatchObject({ machine: null, walks: [] });
    expect(await of('G4-MENDED')).toMatchObject({ machine: { serial: 'G4-MENDED' }, walks: [{ id: walk }] });
  });

  it('what one has not finished is told, whatever it waits for; a trainer may ask for his own', async () => {
    const trainer = await school.person('trainer');
    const mine = begin();
    const waiting = begin();
    const closed = begin();
    await technician.post('/events', {
      events: [
        mine.started,
        waiting.started,
        waiting.event({ kind: 'waits', until: '2031-01-01', why: 'two cycles' }),
        closed.started,
        closed.event({ kind: 'closed', outcome: 'fixed', fixedBy: 'x' }),
      ],
    });
    const ids = async (who: Person, query: string) => walksIn(await who.get(`/walks?${query}`)).map((w) => w.id);
    const open = await ids(technician, 'state=unfinished&mine=yes');
    expect([mine, waiting, closed].map((w) => open.includes(w.walk))).toEqual([true, true, false]);
    expect(await ids(trainer, 'state=unfinished')).toContain(mine.walk);
    expect(await ids(trainer, 'state=unfinished&mine=yes')).not.toContain(mine.walk);
  });

  it('a machine has the readings of all its walks, oldest first, without what was taken back', async () => {
    const own = { ...unit, machine: randomUUID(), serial: 'G4-READ' };
    const reading = (value: number) => ({
      typed: String(value),
      quantity: 'resistance',
      value,
      atCelsius: 22,
      least: 100,
      most: 200,
      verdict: 'pass',
    });
    const answered = { kind: 'answered', chart: 'c', node: 'n', answer: 'pass' };
    const [first, second] = [begin(), begin()];
    const wrong = second.event({ ...answered, reading: reading(190) });
    await technician.post('/events', {
      events: [second.started, second.event(own), wrong, second.event({ kind: 'taken-back', event: wrong.id })],
    });
    const after = { kind: 'reading-after', chart: 'c', node: 'n', reading: reading(150) };
    const at = (event: object, iso: string) => ({ ...event, at: iso });
    await technician.post('/events', {
      events: [
        first.started,
        first.event(own),
        at(first.event(after), '2026-05-02T09:00:00.000Z'),
        at(first.event({ ...answered, reading: reading(120) }), '2026-05-01T09:00:00.000Z'),
      ],
    });
    const { body } = await technician.get('/machines/brindlewick-g4/G4-READ');
    expect(
      (body as { readings: Array<{ when: string; reading: { value: number } }> }).readings.map((r) => [
        r.when,
        r.reading.value,
      ]),
    ).toEqual([
      ['before', 120],
      ['after', 150],
    ]);
  });

  it('a machine has a ledger of what its walks left, until a walk of anybody puts it back', async () => {
    const other = await school.person('trainer');
    const own = { ...unit, machine: randomUUID(), serial: 'G4-LEDGER' };
    const first = begin();
    const owed = first.event({ kind: 'owed', what: 'Reducer on the tap', by: '2026-05-09' });
    await technician.post('/events', { events: [first.started, first.event(own), owed] });
    const ledger = async () =>
      ((await other.get('/machines/brindlewick-g4/G4-LEDGER')).body as { ledger: object[] }).ledger;
    expect(await ledger()).toMatchObject([
      { walk: first.walk, key: owed.id, kind: 'limited', what: 'Reducer on the tap', by: '2026-05-09' },
    ]);
    const second = begin();
    const back = second.event({ kind: 'put-back', of: first.walk, what: owed.id });
    await other.post('/events', { events: [second.started, second.event(own), back] });
    expect(await ledger()).toEqual([]);
    expect((await technician.get(`/walks/${first.walk}`)).body).toMatchObject({ mine: true });
    expect((await other.get(`/walks/${first.walk}`)).body).toMatchObject({ mine: false });
  });

  it('an unlisted code reaches the trainer as a question, once, and is settled once', async () => {
    const { event, started } = begin();
    const asked = event({ kind: 'unlisted', text: 'K30', words: 'twice', ask: true });
    await technician.post('/events', { events: [started, asked] });
    await technician.post('/events', { events: [started, asked] });
    const trainer = await school.person('trainer');
    const mine = ((await trainer.get('/questions')).body as Array<{ id: string }>).filter((q) => q.id === asked.id);
    expect(mine).toMatchObject([{ text: 'K30', family: 'brindlewick-g4', by: 'The technician' }]);
    expect((await trainer.post(`/questions/${asked.id}/settle`, { answer: 'new in 2.7' })).status).toBe(204);
    expect((await trainer.post(`/questions/${asked.id}/settle`, { answer: 'again' })).status).toBe(404);
  });
});

describe('a walk that is for somebody else', () => {
  const offer = { kind: 'offered', needs: 'licensed', chart: null, node: null, what: 'Measure the element' };
  const offered = async () => {
    const { walk, event, started } = begin();
    await technician.post('/events', { events: [started, event({ ...unit, machine: randomUUID() }), event(offer)] });
    return { walk, event };
  };
  const levelled = async (signIn: string, level: string) => {
    const admin = await school.person('admin');
    const users = (await admin.get('/users')).body as Answer<'users'>;
    const own = users.find((u) => u.signIn === signIn);
    const { status } = await admin.put(`/users/${own?.id}`, {
      role: own?.role,
      disabled: false,
      level,
      trades: ['gas'],
    });
    expect(status).toBe(204);
  };

  it('is seen by everybody, taken by whoever may, and goes on as theirs; the one before goes on with it no more', async () => {
    const reviewer = await school.person('reviewer');
    const { walk, event } = await offered();
    expect(walksIn(await reviewer.get('/walks?state=offered')).map((w) => w.id)).toContain(walk);
    expect((await reviewer.get(`/walks/${walk}`)).body).toMatchObject({ id: walk, mine: false });
    // not by somebody who may do no more than the one before
    expect((await reviewer.send('POST', `/walks/${walk}/take-over`)).status).toBe(403);
    await levelled('reviewer', 'licensed');
    expect((await reviewer.send('POST', `/walks/${walk}/take-over`)).status).toBe(204);
    const taken = (await reviewer.get(`/walks/${walk}`)).body as Answer<'walk'>;
    expect(taken.mine).toBe(true);
    expect(taken.events.at(-1)).toMatchObject({ kind: 'taken-over', by: 'The reviewer', seq: 3 });
    expect(walksIn(await reviewer.get('/walks?state=offered')).map((w) => w.id)).not.toContain(walk);
    // once is enough, and whoever had it has it no more
    expect((await reviewer.send('POST', `/walks/${walk}/take-over`)).status).toBe(409);
    const late = (await technician.post('/events', { events: [event({ kind: 'noted', text: 'late' })] })).body;
    expect((late as Answer<'takeEvents'>).refused).toHaveLength(1);
  });
  it('is for the trade it names, not for any licence', async () => {
    const reviewer = await school.person('reviewer');
    await levelled('reviewer', 'licensed');
    const { walk, event, started } = begin();
    const of = (trades: string[]) => ({ ...offer, trades });
    await technician.post('/events', { events: [started, event(of(['refrigeration']))] });
    const { status, body } = await reviewer.send('POST', `/walks/${walk}/take-over`);
    expect([status, (body as { detail?: string }).detail]).toEqual([
      403,
      'what comes next is for a licensed person (refrigeration)',
    ]);
    await technician.post('/events', { events: [event(of(['gas']))] });
    expect((await reviewer.send('POST', `/walks/${walk}/take-over`)).status).toBe(204);
  });
  it('taken by two at once is one person’s', async () => {
    const [a, b] = [await school.person('reviewer'), await school.person('admin')];
    await levelled('reviewer', 'licensed');
    await levelled('admin', 'licensed');
    const { walk } = await offered();
    const answers = await Promise.all([a, b].map((p) => p.send('POST', `/walks/${walk}/take-over`)));
    expect(answers.map((r) => r.status).sort()).toEqual([204, 409]);
  });
  it('one that waits for nobody, or is none, is not taken', async () => {
    const { walk, started } = begin();
    await technician.post('/events', { events: [started] });
    expect((await technician.send('POST', `/walks/${walk}/take-over`)).status).toBe(409);
    expect((await technician.send('POST', `/walks/${randomUUID()}/take-over`)).status).toBe(404);
  });
});

describe('the order mailbox', () => {
  it('keeps what was put in, one’s own and for trainers everybody’s, without what was taken back', async () => {
    const trainer = await school.person('trainer');
    const { walk, event, started } = begin();
    const line = (number: string) => event({ kind: 'ordered', part: 'rinse-element', number, quantity: 2 });
    const wrong = line('B2');
    const events = [started, event({ ...unit, machine: randomUUID(), serial: 'G4-ORD' }), line('A1'), wrong];
    await technician.post('/events', { events: [...events, event({ kind: 'taken-back', event: wrong.id })] });
    const own = async (p: Person) => ((await p.get('/orders')).body as Answer<'orders'>).filter((o) => o.walk === walk);
    expect(await own(technician)).toMatchObject([
      { number: 'A1', quantity: 2, part: 'rinse-element', serial: 'G4-ORD', model: 'G4-20A', by: 'The technician' },
    ]);
    expect(await own(trainer)).toHaveLength(1);
    expect(await own(await school.person('reviewer'))).toHaveLength(1);
  });
});

describe('the log', () => {
  it('is paged newest first without missing or doubling any, and found by beginnings', async () => {
    const own = await openSchool();
    try {
      const person = await own.person('technician');
      const at = (i: number) => new Date(Date.UTC(2025, 0, 1, 0, Math.floor(i / 3))).toISOString();
      const events = Array.from({ length: 230 }, (_, i) => {
        const walk = randomUUID();
        return [
          {
            id: randomUUID(),
            walk,
            seq: 0,
            at: at(i),
            kind: 'started',
            family: 'brindlewick-g4',
            bundle: 'x',
            from: { kind: 'panel' },
          },
          {
            ...unit,
            id: randomUUID(),
            walk,
            seq: 1,
            at: at(i),
            machine: randomUUID(),
            serial: `${i % 2 ? 'A%' : 'B_'}-${i}`,
          },
        ];
      }).flat();
      for (let i = 0; i < events.length; i += 400)
        expect((await person.post('/events', { events: events.slice(i, i + 400) })).status).toBe(200);
      const seen: Array<{ id: string; lastAt: string | null }> = [];
      let [next, pages]: [string | null, number] = [null, 0];
      do {
        const page: Answer<'walks'> = (await person.get(`/walks${next ? `?before=${next}` : ''}`)).body;
        seen.push(...page.walks);
        [next, pages] = [page.next, pages + 1];
      } while (next !== null);
      expect(pages).toBe(3);
      expect(new Set(seen.map((w) => w.id)).size).toBe(230);
      expect(seen.map((w) => w.lastAt)).toEqual([...seen.map((w) => w.lastAt)].sort().reverse());
      const find = async (text: string) =>
        walksIn(await person.get(`/walks?find=${encodeURIComponent(text)}`)).map((w) => w.serial);
      expect(await find('A%-1')).toHaveLength(
        new Set(Array.from({ length: 230 }, (_, i) => i).filter((i) => i % 2 && `${i}`.startsWith('1'))).size,
      );
      expect(await find('B_-228')).toEqual(['B_-228']);
      expect(await find('AX')).toEqual([]);
      expect(await find('the tech')).toHaveLength(100);
      expect((await person.get('/walks?before=yesterday')).status).toBe(400);
    } finally {
      await own.close();
    }
  });
});

describe('tries', () => {
  it('are counted by route, without those that were taken back', async () => {
    const { event, started } = begin();
    const tried = (took: boolean, route = 'enter-memory', happened = {}) =>
      event({ kind: 'tried', route, took, ...happened });
    const slip = tried(false);
    const events = [
      started,
      tried(true),
      tried(false, 'enter-memory', { happened: 'count-over' }),
      slip,
      event({ kind: 'taken-back', event: slip.id }),
      tried(true, 'other'),
    ];
    await technician.post('/events', { events });
    const trainer = await school.person('trainer');
    const { body } = await trainer.get('/families/brindlewick-g4/tries');
    expect(body).toContainEqual({ route: 'other', took: 1, of: 1, wrong: { pace: 0, count: 0, elsewhere: 0 } });
    const wrong = { pace: 0, count: 1, elsewhere: 0 };
    expect(body).toContainEqual({ route: 'enter-memory', took: 1, of: 2, wrong });
    expect((await trainer.get('/families/quorrin-b2/tries')).body).toEqual([]);
  });
});

describe('the demo', () => {
  it('goes on where its loading was stopped, and not once it was loaded', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wire-trail-demo-'));
    const from = (name: string) => fileURLToPath(new URL(`../../../../demo/${name}`, import.meta.url));
    for (const name of ['ostrel-r6.json', 'quorrin-b2.json']) cpSync(from(name), join(folder, name));
    cpSync(from('walks'), join(folder, 'walks'), { recursive: true });
    writeFileSync(join(folder, 'wexmorl-s5.json'), '{');
    const half = await openSchool();
    try {
      await half.services.db('users').delete();
      await expect(loadDemo(folder, half.services)).rejects.toThrow(/JSON/);
      cpSync(from('wexmorl-s5.json'), join(folder, 'wexmorl-s5.json'));
      expect(await loadDemo(folder, half.services)).toBe(true);
      const person = new Person(half.base);
      await person.signIn('trainer', 'orrimar-demo');
      expect(((await person.get('/families')).body as { cards: object[] }).cards).toHaveLength(3);
      expect(walksIn(await person.get('/walks'))).not.toHaveLength(0);
      expect(await loadDemo(folder, half.services)).toBe(false);
    } finally {
      await half.close();
      rmSync(folder, { recursive: true, force: true });
    }
  });

  it('loads into an empty database through the same import, and only there', async () => {
    const folder = fileURLToPath(new URL('../../../../demo', import.meta.url));
    const empty = await openSchool();
    try {
      expect(await loadDemo(folder, empty.services)).toBe(false);
      await empty.services.db('users').delete();
      expect(await loadDemo(folder, empty.services)).toBe(true);
      const person = new Person(empty.base);
      await person.signIn('trainer', 'orrimar-demo');
      const walked = readdirSync(`${folder}/walks`).flatMap(
        (file) => JSON.parse(readFileSync(`${folder}/walks/${file}`, 'utf8')) as Array<{ walk: string }>,
      );
      expect(walksIn(await person.get('/walks'))).toHaveLength(new Set(walked.map((e) => e.walk)).size);
      expect((await person.get('/questions')).body).toMatchObject([{ text: 'K30' }]);
      const { cards } = (await person.get('/families')).body as { cards: object[] };
      expect(cards).toHaveLength(readdirSync(folder).filter((f) => f.endsWith('.json')).length);
      const demo = JSON.parse(readFileSync(`${folder}/brindlewick-g4.json`, 'utf8'));
      expect(demo.entries.filter((e: { kind: string }) => e.kind === 'code').length).toBeGreaterThanOrEqual(10);
    } finally {
      await empty.close();
    }
  });
});
