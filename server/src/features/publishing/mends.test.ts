import { readFileSync } from 'node:fs';
import type { Answer, Route } from '@wire-trail/core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openSchool, type Person, type School } from '../../testing/school.ts';

let school: School;
let trainer: Person;
beforeAll(async () => {
  school = await openSchool();
  await school.publish(
    JSON.parse(readFileSync(new URL('../../../../demo/brindlewick-g4.json', import.meta.url), 'utf8')),
  );
  trainer = await school.person('trainer');
});
afterAll(() => school.close());

const unit = '/families/brindlewick-g4';
const address = `${unit}/entries/route/enter-memory`;
const findings = async () => (await trainer.get(`${unit}/findings`)).body as Answer<'findings'>;
const never = async () => (await findings()).find((f) => f.code === 'never-let-go');

it('a mend is weighed without saving anything; saved as a draft, what was found is gone, and it is taken back the same way', async () => {
  const { latest } = (await trainer.get(address)).body as { latest: { number: number; body: Route } };
  const held = {
    kind: 'hold',
    controls: [
      { control: latest.body.steps.flatMap((s) => ('control' in s && s.control !== 'any' ? [s.control] : []))[0] },
    ],
    until: { kind: 'release' },
  };
  await trainer.put(`${address}/draft`, {
    basedOn: latest.number,
    note: 'held',
    body: { ...latest.body, steps: [...latest.body.steps, held] },
  });
  const found = await never();
  expect(found?.mends).toEqual([expect.stringMatching(/^Let go of “.*” at the end$/)]);
  const { code, entry, at, words, mends } = found ?? { mends: [] };
  const asked = { code, entry, at, words, mend: mends[0] };
  const comes = (await trainer.post(`${unit}/mends`, asked)).body as Answer<'mend'>;
  expect([comes.isGone, comes.brings.filter((f) => f.severity === 'error')]).toEqual([true, []]);
  expect(await never()).toEqual(found);
  const [item] = comes.items;
  const saved = await trainer.put(`${address}/draft`, { ...item, note: mends[0] });
  expect([saved.status, await never()]).toEqual([201, undefined]);
  // what was found before is not there any more
  expect((await trainer.post(`${unit}/mends`, asked)).status).toBe(404);
  await trainer.put(`${address}/draft`, {
    basedOn: latest.number + 2,
    note: 'mend taken back',
    body: { ...latest.body, steps: [...latest.body.steps, held] },
  });
  expect((await never())?.words).toBe(words);
});

it('who is no trainer is not told, and what nobody found is not mended', async () => {
  const technician = await school.person('technician');
  const asked = { code: 'never-let-go', entry: null, at: [], words: 'no', mend: 'no' };
  expect((await technician.post(`${unit}/mends`, asked)).status).toBe(403);
  expect((await trainer.post(`${unit}/mends`, asked)).status).toBe(404);
  expect((await trainer.post(`${unit}/mends`, { ...asked, at: 7 })).status).toBe(400);
});
