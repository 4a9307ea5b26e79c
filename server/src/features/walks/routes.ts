import type { Handlers } from '../../http/route.ts';
import {
  machineHistory,
  openQuestions,
  readLog,
  readOrders,
  readWalk,
  settleQuestion,
  takeEvents,
  takeOver,
  triesOf,
} from './service.ts';

export const walkHandlers: Handlers<
  'takeEvents' | 'walks' | 'walk' | 'takeOver' | 'orders' | 'tries' | 'machine' | 'questions' | 'settle'
> = {
  takeEvents: ({ body, user, services }) => takeEvents({ ...body, user }, services),
  walks: ({ query, user, services }) => readLog({ ...query, user }, services),
  walk: ({ params, user, services }) => readWalk(params.id, user, services),
  takeOver: ({ params, user, services }) => takeOver(params.id, user, services),
  orders: ({ user, services }) => readOrders(user, services),
  tries: ({ params, services }) => triesOf(params.family, services),
  machine: ({ params, services }) => machineHistory(params.family, params.serial, services),
  questions: ({ services }) => openQuestions(services),
  settle: ({ params, body, user, services }) => settleQuestion(params.id, { answer: body.answer, user }, services),
};
