import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from './people.ts';

const dryer = fileURLToPath(new URL('../core/src/testing/velmarrow-d1.json', import.meta.url));
type Entry = Record<string, unknown> & { kind: string; id: string };

/** The made-up dryer's sister: two heats that look alike, a plug, and a self-check of half a minute after it comes. */
function sister(): string {
  const json = readFileSync(dryer, 'utf8')
    .replaceAll('velmarrow-d1', 'ollenbrook-k2')
    .replaceAll('Velmarrow D1', 'Ollenbrook K2');
  const bundle = JSON.parse(json.replaceAll('VD1', 'OK2').replaceAll('bench-d1', 'bench-k2')) as { entries: Entry[] };
  const pad = (id: string, x: number) => ({
    id,
    look: 'pad',
    label: id.replace('-', ' '),
    at: { x, y: 8, w: 5, h: 4 },
    mechanism: { kind: 'push' },
  });
  const plug = {
    id: 'plug',
    look: 'plug',
    label: 'plug',
    at: { x: 24, y: 8, w: 4, h: 4 },
    powersAt: ['in'],
    mechanism: {
      kind: 'places',
      start: 'in',
      places: [
        { id: 'out', label: 'out' },
        { id: 'in', label: 'in' },
      ],
    },
  };
  const mode = (id: string, name: string, sort: string, ...transitions: object[]): Entry => ({
    kind: 'mode',
    id,
    family: 'ollenbrook-k2',
    controller: 'drum',
    name,
    sort,
    transitions,
  });
  const off = { on: { kind: 'supply', becomes: 'off' }, to: 'off' };
  const steps = [
    {
      kind: 'hold',
      controls: [{ control: 'low-heat' }],
      until: { kind: 'span', span: { leastMs: 4000, usualMs: 5000, mostMs: 8000 } },
    },
    { kind: 'press', control: 'high-heat', times: 2 },
    { kind: 'see', must: 'must', signs: [{ kind: 'lamp', sign: 'air', state: 'fast' }] },
  ];
  const entries = bundle.entries.map((e): Entry => {
    if (e.kind === 'panel') {
      const [face] = e.faces as Array<{ controls: object[] }>;
      const start = face?.controls[0];
      return { ...e, faces: [{ ...face, controls: [start, pad('low-heat', 10), pad('high-heat', 16), plug] }] };
    }
    if (e.kind === 'route' && e.id === 'in') return { ...e, steps };
    return e.kind === 'mode' && e.id === 'idle' ? { ...e, transitions: [off] } : e;
  });
  entries.push(
    mode('off', 'Off', 'off', { on: { kind: 'supply', becomes: 'on' }, to: 'self-check' }),
    mode('self-check', 'Self-check', 'running', off, { on: { kind: 'after', afterMs: 30_000 }, to: 'idle' }),
  );
  return JSON.stringify({ ...bundle, entries });
}

test('held too short, begun during the self-check, the wrong of two keys: the coach says which, and by how much', async ({
  desk,
  field,
}) => {
  const trainer = await desk('trainer');
  await trainer.press('Import');
  await trainer.page
    .getByLabel('The file')
    .setInputFiles({ name: 'sister.json', mimeType: 'application/json', buffer: Buffer.from(sister()) });
  await trainer.sees(/\d+ new · 0 changed/);
  await trainer.press('Import it');
  await trainer.sees('Import of Ollenbrook K2');
  const reviewer = await desk('reviewer');
  await reviewer.page.goto(trainer.page.url());
  await reviewer.press('Publish');
  await reviewer.sees(/published by Demo reviewer/);

  const technician = await field();
  const { page } = technician;
  await page.goto('/trail');
  await technician.picksUnit('Ollenbrook K2');
  await technician.readsPlate('K2-1', 'OK2-1');
  await technician.press('This is the unit');
  await technician.press('I have read this');
  // what has to be waited for stands before the first step
  await technician.sees('Wait until “Self-check” is over: it takes 30 s.');
  await technician.press('Begin, tapping along');
  await technician.press('It went wrong here');
  await technician.press(/^Show what I did/);

  const holds = async (control: string, ms: number) => {
    const key = page.getByTestId(`control-${control}`);
    await key.hover();
    await page.mouse.down();
    await page.waitForTimeout(ms);
    await page.mouse.up();
  };
  await holds('low-heat', 2200);
  await technician.sees(/Nearest was “Into the list”: “low heat hold.*” let go 1\.\d s too early/);

  await technician.press('Show it once more');
  await technician.press('just switched on');
  await holds('low-heat', 4400);
  await holds('high-heat', 120);
  await holds('high-heat', 120);
  await technician.sees(
    /it begins in “Idle”, and the unit was in “Self-check”, which takes 30 s: begin again in (2\d|30) s/,
  );

  await technician.press('as it should');
  await holds('high-heat', 4400);
  await technician.sees(/“high heat” was worked instead of “low heat”/);

  await technician.press('What to do now');
  await expect(page.getByRole('button', { name: 'Another try' }).or(page.getByText('Again')).first()).toBeVisible();
  // and done as it is meant, it is taken
  await technician.press('Something else happened');
  await technician.press(/^Show what I did/);
  await holds('low-heat', 4400);
  await holds('high-heat', 120);
  await holds('high-heat', 120);
  await technician.sees('Done so, it is taken here.');
});

test('a finding is let stand with a reason and a name, folded away, and opened again', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/ostrel-r6?room=To%20fix');
  await trainer.sees('Nothing open');
  const stands = page.getByRole('button', { name: /\d+ let stand/ });
  await stands.click();
  const line = page.locator('li', { hasText: '21-5 has no test chart yet' });
  await expect(line).toContainText('Demo trainer, 2026-11-20');
  await line.getByRole('button', { name: 'Open again' }).click();
  await trainer.sees('Give it a test chart, or accept that it is only looked up.');
  await trainer.press('Let it stand …');
  await trainer.type('Why it may stand', 'The maker takes it back whole.');
  await trainer.press('Let it stand');
  await trainer.sees('Nothing open');
  await stands.click();
  await expect(line).toContainText('The maker takes it back whole. Demo trainer');
});
