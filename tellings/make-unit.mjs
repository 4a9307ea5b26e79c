#!/usr/bin/env node
// Makes the unit.json of a telling from a short description: one line a control or a sign, within faces.
//   node make-unit.mjs FOLDER…    reads FOLDER/unit.txt
// Lines: `family ID NAME`, `face LABEL`, `push ID LOOK LABEL`, `places ID LOOK LABEL: a b c [start b] [spring b>a,c>a]`,
// `clicks ID LABEL perTurn N rests name@click …`, `lamp ID LABEL colour…`, `sound ID LABEL`, `text ID LABEL`, `segments ID LABEL digits`.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

for (const folder of process.argv.slice(2)) {
  const lines = readFileSync(join(folder, 'unit.txt'), 'utf8')
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);
  let family = null;
  const faces = [];
  let x = 2;
  const at = () => ({ x: ((x += 8) % 96) + 2, y: 4, w: 5, h: 5 });
  for (const line of lines) {
    const [kind, id, ...rest] = line.split(' ');
    const face = faces.at(-1);
    if (kind === 'family') family = { id, name: rest.join(' ') };
    else if (kind === 'face') {
      const label = [id, ...rest].join(' ');
      faces.push({
        id: label.toLowerCase().replace(/[^a-z0-9]+/g, '-'),
        label,
        side: faces.length === 0 ? 'front' : 'site',
        width: 120,
        height: 25,
        controls: [],
        signs: [],
      });
    } else if (kind === 'push')
      face.controls.push({ id, look: rest[0], label: rest.slice(1).join(' '), at: at(), mechanism: { kind: 'push' } });
    else if (kind === 'places') {
      const [, look, label, list] = /^(\S+) (.+?): (.*)$/.exec(rest.join(' '));
      const [, names, start, spring] = /^(.*?)(?: start (\S+))?(?: spring (\S+))?$/.exec(list);
      const places = names.split(' ').map((p) => ({ id: p, label: p }));
      const springs = new Map((spring ?? '').split(',').map((s) => s.split('>')));
      face.controls.push({
        id,
        look,
        label,
        at: at(),
        mechanism: {
          kind: 'places',
          places: places.map((p) => (springs.has(p.id) ? { ...p, springsTo: springs.get(p.id) } : p)),
          start: start ?? places[0].id,
        },
      });
    } else if (kind === 'clicks') {
      const [, label, perTurn, rests] = /^(.+?) perTurn (\d+)(?: rests (.*))?$/.exec(rest.join(' '));
      face.controls.push({
        id,
        look: 'knob',
        label,
        at: at(),
        mechanism: {
          kind: 'clicks',
          perTurn: Number(perTurn),
          springsBack: false,
          rests: (rests ?? '')
            .split(' ')
            .filter(Boolean)
            .map((r) => ({ id: r.split('@')[0], label: r.split('@')[0], atClick: Number(r.split('@')[1]) })),
        },
      });
    } else if (kind === 'lamp')
      face.signs.push({
        kind: 'lamp',
        id,
        label: rest.filter((w) => !/^(red|green|amber|white|blue|yellow)$/.test(w)).join(' '),
        at: at(),
        colours: rest.filter((w) => /^(red|green|amber|white|blue|yellow)$/.test(w)),
        shows: ['lit', 'slow', 'fast'],
      });
    else if (kind === 'sound')
      face.signs.push({
        kind: /fan|pump|heard/.test(id) ? 'felt' : 'beeper',
        id,
        label: rest.join(' '),
        at: at(),
      });
    else if (kind === 'text')
      face.signs.push({ kind: 'text', id, label: rest.join(' '), at: at(), characters: 12 });
    else if (kind === 'segments')
      face.signs.push({
        kind: 'segments',
        id,
        label: rest.slice(0, -1).join(' '),
        at: at(),
        digits: Number(rest.at(-1)),
      });
    else throw new Error(`${folder}: ${line}`);
  }
  const entries = [
    {
      kind: 'family',
      id: family.id,
      name: family.name,
      sort: 'machine',
      summary: 'Made up for a telling.',
      controllers: [{ id: 'main', name: 'Control', role: 'lead', authoritative: true }],
    },
    { kind: 'panel', id: 'panel', family: family.id, name: 'Panel', controller: 'main', faces },
  ];
  writeFileSync(
    join(folder, 'unit.json'),
    `${JSON.stringify({ format: 'wire-trail/bundle', version: 1, family: family.id, entries }, null, 1)}\n`,
  );
}
