import { Attached, FamilyId, TakenReading, WalkEvent } from '@wire-trail/core';
import { z } from 'zod';
import { route } from '../../http/route.ts';
import { machineHistory, openQuestions, readLog, readWalk, settleQuestion, takeEvents, triesOf } from './service.ts';

const State = z.enum(['open', 'waiting', 'closed']);
const nullable = z.string().nullable();
const WalkLine = z.strictObject({
  id: z.string(),
  family: nullable,
  serial: nullable,
  model: nullable,
  software: nullable,
  by: z.string(),
  state: State,
  code: nullable,
  station: z.string(),
  outcome: nullable,
  fixedBy: nullable,
  startedAt: nullable,
  lastAt: nullable,
  waitingUntil: nullable,
});
const Field = z.strictObject({ path: z.array(z.union([z.string(), z.number()])), reason: z.string() });

export const walkRoutes = [
  route({
    method: 'post',
    path: '/events',
    role: 'technician',
    summary: 'Hand over what happened on walks. Sent twice, stored once; each event is judged on its own.',
    body: z.strictObject({ events: z.array(z.unknown()).min(1).max(500) }),
    response: z.strictObject({
      stored: z.array(z.string()),
      known: z.array(z.string()),
      refused: z.array(z.strictObject({ index: z.number(), id: nullable, fields: z.array(Field) })),
    }),
    handle: ({ body, user, services }) => takeEvents({ ...body, user }, services),
  }),
  route({
    method: 'get',
    path: '/walks',
    role: 'technician',
    summary: 'The log: one’s own walks; for trainers, everybody’s.',
    query: z.object({ family: FamilyId.optional(), state: State.optional(), serial: z.string().max(60).optional() }),
    response: z.array(WalkLine),
    handle: ({ query, user, services }) => readLog({ ...query, user }, services),
  }),
  route({
    method: 'get',
    path: '/walks/:id',
    role: 'technician',
    summary: 'Every event of a walk.',
    params: z.object({ id: z.uuid() }),
    response: z.strictObject({ id: z.string(), mine: z.boolean(), events: z.array(WalkEvent) }),
    handle: ({ params, user, services }) => readWalk(params.id, user, services),
  }),
  route({
    method: 'get',
    path: '/families/:family/tries',
    role: 'trainer',
    summary: 'How often each route was tried in the field, and how often it took: what calibrates the model of hands.',
    params: z.object({ family: FamilyId }),
    response: z.array(z.strictObject({ route: z.string(), took: z.number(), of: z.number() })),
    handle: ({ params, services }) => triesOf(params.family, services),
  }),
  route({
    method: 'get',
    path: '/machines/:family/:serial',
    role: 'technician',
    summary:
      'A machine by its serial number, with its earlier walks, what was left limited or not put back, and what was measured.',
    params: z.object({ family: FamilyId, serial: z.string().min(1).max(60) }),
    response: z.strictObject({
      machine: z
        .strictObject({
          id: z.string(),
          family: z.string(),
          serial: z.string(),
          model: z.string(),
          software: nullable,
          variant: nullable,
          options: z.record(z.string(), z.string()),
          composition: z.array(Attached),
          lastSeenAt: z.string(),
        })
        .nullable(),
      walks: z.array(WalkLine),
      ledger: z.array(
        z.strictObject({
          walk: z.string(),
          key: z.string(),
          kind: z.enum(['limited', 'setting', 'locked-out']),
          what: z.string(),
          setting: nullable,
          since: z.string(),
          by: nullable,
        }),
      ),
      readings: z.array(
        z.strictObject({
          walk: z.string(),
          at: z.string(),
          when: z.enum(['before', 'after', 'test']),
          of: z.string(),
          step: z.string(),
          reading: TakenReading,
        }),
      ),
    }),
    handle: ({ params, services }) => machineHistory(params.family, params.serial, services),
  }),
  route({
    method: 'get',
    path: '/questions',
    role: 'trainer',
    summary: 'Codes the field found unlisted and asks about.',
    response: z.array(
      z.strictObject({
        id: z.string(),
        walk: z.string(),
        family: nullable,
        text: z.string(),
        words: z.string(),
        by: z.string(),
        askedAt: z.string(),
      }),
    ),
    handle: ({ services }) => openQuestions(services),
  }),
  route({
    method: 'post',
    path: '/questions/:id/settle',
    role: 'trainer',
    summary: 'Settle a question with an answer.',
    params: z.object({ id: z.uuid() }),
    body: z.strictObject({ answer: z.string().trim().min(1).max(4000) }),
    handle: ({ params, body, user, services }) => settleQuestion(params.id, { answer: body.answer, user }, services),
  }),
];
