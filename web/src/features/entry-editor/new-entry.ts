import {
  type Chart,
  type Code,
  chartOf,
  type Entry,
  type EntryKind,
  entriesOf,
  entrySchemas,
  type Family,
  newFace,
} from '@wire-trail/core';
import { entryIn } from '../../foundation/entry-draft-slice.ts';
import { emptyOf } from './schema.ts';

/** What a code or symptom holds before anything is said of it. */
const undescribed = {
  title: 'Not described yet',
  saw: '',
  does: '',
  detection: { notWatchedCycles: 0, inARow: 1, erasedAfterCleanCycles: null, cycle: 'cycle' },
  signStages: [],
  suspects: [],
  circumstances: [],
  scope: 'technician',
  onlyVariants: [],
  goodReadings: [],
  chart: null,
  chartUse: { values: {}, parts: {} },
  seeAlso: [],
  claims: [],
  pictures: [],
  frequency: 1,
  source: null,
  standing: 'experimental',
} as const;

function codeLike(family: Family, id: string, text: string, sibling: Code | undefined): Entry | null {
  const controller =
    sibling?.controller ?? (family.controllers.find((c) => c.authoritative) ?? family.controllers[0])?.id;
  if (!controller) return null;
  return entryIn({
    ...undescribed,
    kind: 'code',
    id,
    text,
    family: family.id,
    controller,
    readout: sibling?.readout ?? null,
    decoy: false,
    hazards: sibling?.hazards ?? [],
    enter: sibling?.enter ?? null,
    clear: sibling?.clear ?? null,
  });
}

/** The least an entry of a kind can be, under its id, with its name: what is there to be filled in. */
export function newEntry(
  key: { family: string | null; kind: EntryKind; id: string },
  name: string,
  bodies: { entries: readonly Entry[] },
): Entry | null {
  const { family: familyId, kind, id } = key;
  const all = { entries: [...bodies.entries] };
  const family = entriesOf(all, 'family').find((f) => f.id === familyId);
  if (kind === 'code') return family ? codeLike(family, id, name, entriesOf(all, 'code')[0]) : null;
  if (kind === 'symptom')
    return entryIn({
      ...undescribed,
      kind,
      id,
      family: familyId,
      title: name,
      hazards: [],
      enter: null,
      clear: null,
    });
  const empty = emptyOf(entrySchemas[kind]) as Record<string, unknown>;
  const named = 'title' in empty ? { title: name } : 'name' in empty ? { name } : {};
  const made = {
    ...empty,
    ...named,
    kind,
    id,
    ...('family' in empty ? { family: familyId } : {}),
    // nothing is proven by being begun
    ...('standing' in empty ? { standing: 'experimental' } : {}),
  };
  if (kind === 'family')
    return entryIn({
      ...made,
      controllers: [{ id: 'main', name: 'Main control', role: 'lead', authoritative: true }],
    });
  if (kind === 'route')
    return entryIn({
      ...made,
      from: 'any',
      to: null,
      purpose: 'enter',
      steps: [{ kind: 'say', text: 'Not written yet.' }],
      standing: 'experimental',
    });
  if (kind === 'chart') {
    const end = { id: 'nothing-found', head: 'verdict nothing-found', title: 'Nothing found', answers: [] };
    return chartOf(
      { start: end.id, nodes: [end] },
      { id: id as Chart['id'], family: familyId as Chart['family'], title: name },
    );
  }
  if (kind === 'panel' && family) {
    const panel = entryIn({ ...made, controller: family.controllers[0]?.id, faces: [] });
    return panel.kind === 'panel' ? newFace(panel, 'front') : null;
  }
  if (kind === 'readout' && family) {
    // of the one control there is, in the state that shows what is stored
    const stored = entriesOf(all, 'mode').filter((m) => m.sort === 'memory');
    const next = entriesOf(all, 'route').find((r) => r.purpose === 'step');
    const slots = stored
      .flatMap((m) => m.variables)
      .flatMap((v) =>
        v.kind === 'cursor'
          ? [{ count: Math.min(100, Math.max(1, v.to)), order: 'latest-first', ...(next ? { next: next.id } : {}) }]
          : [],
      );
    return entryIn({
      ...made,
      controller: family.controllers[0]?.id,
      modes: stored.map((m) => m.id),
      ...(slots[0] ? { slots: slots[0] } : {}),
    });
  }
  return entryIn(made);
}
