import { spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Answer } from '@wire-trail/core';
// @ts-expect-error plain JavaScript, so that it runs before anything is installed
import { freePort } from '../database.mjs';
import { type Installation, newInstallation, signedInAt, start } from '../started.ts';
import { type Tally, tallyOf, wait } from './tally.ts';
import { nothingYet, publishes, trains, verify, walks } from './writers.ts';

const families = ['quorrin-b2', 'wexmorl-s5'];
const entries = ['/families/quorrin-b2/entries/code/b1', '/families/quorrin-b2/entries/code/b2'];

/** `npm run check` on an installation: how many bundles are not what was published. */
function wrongBundles(place: Installation): number {
  const { stdout, status } = spawnSync(process.execPath, ['scripts/check.mjs'], {
    env: place.environment as NodeJS.ProcessEnv,
    encoding: 'utf8',
  });
  return status === 0 ? 0 : Math.max(1, Number(/, (\d+) wrong/.exec(stdout)?.[1] ?? 1));
}

/** Another server process on the same data. */
async function secondServer(place: Installation): Promise<{ address: string; stop: () => Promise<void> }> {
  const port = String(await freePort());
  const child = spawn(process.execPath, ['server/dist/main.js'], {
    env: {
      ...place.environment,
      WIRE_TRAIL_PORT: port,
      WIRE_TRAIL_DB_PASSWORD: readFileSync(join(place.data, 'mariadb/password'), 'utf8').trim(),
      WIRE_TRAIL_SECRET: readFileSync(join(place.data, 'secret'), 'utf8'),
    } as NodeJS.ProcessEnv,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const address = `http://127.0.0.1:${port}`;
  while (
    !(await fetch(`${address}/api/v1/health`).then(
      (r) => r.ok,
      () => false,
    ))
  )
    await wait(100);
  return {
    address,
    stop: async () => {
      const gone = once(child, 'exit');
      child.kill('SIGTERM');
      await gone;
    },
  };
}

/** Eight people write while server and database are killed under them, again and again. */
export async function kills(rounds: number): Promise<Tally> {
  const tally = tallyOf('kills of server and database');
  const place = await newInstallation(families);
  const done = nothingYet();
  let [over, running] = [false, start(place)];
  await running.up();
  const until = () => over;
  const work = [
    ...Array.from({ length: 5 }, () => walks(place.address, done, tally, until)),
    ...entries.map((path) => trains(place.address, path, done, tally, until)),
    publishes(place.address, done, tally, until),
  ];
  for (let round = 0; round < rounds; round += 1) {
    await wait(1500 + Math.random() * 1500);
    await running.kill(round % 2 === 0);
    running = start(place);
    await running.up().catch(() => {
      tally.stuck += 1;
    });
  }
  await wait(1500);
  over = true;
  await Promise.all(work);
  await verify(place.address, done, tally);
  tally.lost += wrongBundles(place);
  await running.stop();
  place.remove();
  return tally;
}

/** Saves and publishes at once through two server processes. */
export async function races(rounds: number): Promise<Tally> {
  const tally = tallyOf('races through two processes');
  const place = await newInstallation(families);
  const first = start(place);
  await first.up();
  const second = await secondServer(place);
  const addresses = [place.address, second.address];
  const done = nothingYet();
  const reviewers = await Promise.all(addresses.map((a) => signedInAt(a, 'reviewer')));
  const trainers = await Promise.all(addresses.map((a) => signedInAt(a, 'trainer')));
  const count = (response: Response) => {
    if (response.status >= 500) tally.answered500 += 1;
    return response;
  };
  for (let round = 0; round < rounds; round += 1) {
    const sets = await Promise.all(
      entries.map(async (path, i) => {
        const trainer = trainers[i % 2] as (typeof trainers)[number];
        const { latest } = (await (await trainer('GET', path)).json()) as Answer<'entry'>;
        const note = `round ${round}`;
        const draft = { basedOn: latest.number, note, body: { ...latest.body, does: note } };
        // the same draft from both sides: one is stored, the other shown what is there
        const saves = await Promise.all(trainers.map((t) => t('PUT', `${path}/draft`, draft)));
        tally.tried += 2;
        if (
          saves
            .map((s) => count(s).status)
            .sort()
            .join() !== '201,409'
        )
          tally.doubled += 1;
        done.drafts.push({ path, number: latest.number + 1, note });
        const [, , family, , kind, id] = path.split('/');
        const set = count(
          await trainer('POST', '/publish-sets', {
            title: note,
            items: [{ family, kind, id, number: latest.number + 1 }],
          }),
        );
        return ((await set.json()) as { id: number }).id;
      }),
    );
    const answers = await Promise.all(
      sets.map((id, i) => reviewers[i % 2]?.('POST', `/publish-sets/${id}/publish`, { note: '' })),
    );
    tally.tried += answers.length;
    for (const [i, answer] of answers.entries()) {
      if (answer && count(answer).status === 200) done.published.push(sets[i] ?? 0);
      else tally.stuck += 1;
    }
  }
  await verify(place.address, done, tally);
  tally.lost += wrongBundles(place);
  await second.stop();
  await first.stop();
  place.remove();
  return tally;
}

/** A disk of its own and of so many megabytes, where this machine allows one; what takes and gives back its room. */
function smallDisk(megabytes: number) {
  const folder = mkdtempSync(join(tmpdir(), 'wire-trail-disk-'));
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', folder]).status === 0;
  const filler = join(folder, 'filler');
  return {
    folder: mounted ? folder : null,
    leaves: (free: number) => {
      const { bavail, bsize } = statfsSync(folder);
      spawnSync('fallocate', ['-l', String(Math.max(1, bavail * bsize - free)), filler]);
    },
    givesBack: () => rmSync(filler, { force: true }),
    remove: () => {
      if (mounted) spawnSync('umount', ['-l', folder]);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** The disk of the data is full: what cannot be stored is refused for the time being, and goes on when there is room. */
export async function fullDisk(): Promise<Tally> {
  const tally = tallyOf('full disk');
  const disk = smallDisk(420);
  if (disk.folder === null) {
    console.error('full disk: this machine allows no disk of its own; not tried');
    disk.remove();
    return tally;
  }
  const place = await newInstallation(families, disk.folder);
  const running = start(place);
  await running.up();
  const ask = await signedInAt(place.address, 'technician');
  const done = nothingYet();
  const write = async (): Promise<number> => {
    const walk = randomUUID();
    const at = new Date().toISOString();
    const started = {
      id: randomUUID(),
      walk,
      seq: 0,
      at,
      kind: 'started',
      family: 'quorrin-b2',
      bundle: 'x',
      from: { kind: 'panel' },
    };
    const notes = Array.from({ length: 200 }, (_, i) => ({
      id: randomUUID(),
      walk,
      seq: i + 1,
      at,
      kind: 'noted',
      text: 'x'.repeat(1900),
    }));
    const events = [started, ...notes];
    tally.tried += 1;
    const response = await ask('POST', '/events', { events }).catch(() => null);
    if (response?.status === 500) tally.answered500 += 1;
    if (response?.ok) done.events.set(walk, ((await response.json()) as Answer<'takeEvents'>).stored);
    return response?.status ?? 0;
  };
  const ready = async () => (await ask('GET', '/ready').catch(() => null))?.status ?? 0;
  await write();
  disk.leaves(6 * 1024 * 1024);
  let refused = 0;
  for (let i = 0; i < 400 && refused < 5; i += 1) if ((await write()) !== 200) refused += 1;
  if (refused === 0) console.error('the disk never got full');
  if ((await ready()) === 200) tally.stuck += 1;
  disk.givesBack();
  let well = 0;
  for (let i = 0; i < 100 && well < 3; i += 1) {
    if ((await write()) === 200) well += 1;
    else await wait(300);
  }
  if (well < 3) tally.stuck += 1;
  await verify(place.address, done, tally);
  await running.stop();
  place.remove();
  disk.remove();
  return tally;
}

/** Devices whose clocks are years off. */
export async function clocks(): Promise<Tally> {
  const tally = tallyOf('clocks years off');
  const place = await newInstallation(families);
  const running = start(place);
  await running.up();
  const ask = await signedInAt(place.address, 'technician');
  const unit = {
    kind: 'unit',
    serial: 'CLOCK-1',
    model: 'B2-9',
    software: null,
    variant: null,
    options: {},
    composition: [],
  };
  const send = async (at: string, model: string) => {
    const walk = randomUUID();
    const events = [
      {
        id: randomUUID(),
        walk,
        seq: 0,
        at,
        kind: 'started',
        family: 'quorrin-b2',
        bundle: 'x',
        from: { kind: 'panel' },
      },
      { ...unit, id: randomUUID(), walk, seq: 1, at, machine: randomUUID(), model },
    ];
    tally.tried += 1;
    const response = await ask('POST', '/events', { events });
    if (response.status >= 500) tally.answered500 += 1;
    if (((await response.json()) as Answer<'takeEvents'>).stored.length !== 2) tally.lost += 1;
    return walk;
  };
  await send('2030-05-01T08:00:00.000Z', 'of 2030');
  await send('1999-05-01T08:00:00.000Z', 'of 1999');
  await wait(1100);
  const last = await send(new Date().toISOString(), 'of today');
  const { walks: log } = (await (await ask('GET', '/walks')).json()) as Answer<'walks'>;
  if (log[0]?.id !== last) tally.stuck += 1;
  const { machine } = (await (await ask('GET', '/machines/quorrin-b2/CLOCK-1')).json()) as Answer<'machine'>;
  if (machine?.model !== 'of today') tally.stuck += 1;
  await running.stop();
  place.remove();
  return tally;
}

/** Starts killed at any moment of the making; the next one goes on. */
export async function starts(): Promise<Tally> {
  const tally = tallyOf('starts killed midway');
  for (let place = 0; place < 3; place += 1) {
    const installation = await newInstallation(families);
    for (let i = 0; i < 5; i += 1) {
      const one = start(installation);
      tally.tried += 1;
      await wait(300 + Math.random() * 4500);
      await one.kill(Math.random() < 0.5);
    }
    const last = start(installation);
    await last.up().catch((error: unknown) => {
      console.error(error);
      tally.stuck += 1;
    });
    const ask = await signedInAt(installation.address, 'trainer');
    const { cards } = (await (await ask('GET', '/families')).json()) as Answer<'families'>;
    tally.lost += families.length - cards.length;
    tally.lost += wrongBundles(installation);
    await last.stop();
    installation.remove();
  }
  return tally;
}
