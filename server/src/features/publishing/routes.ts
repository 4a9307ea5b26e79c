import type { Handlers } from '../../http/route.ts';
import { findingsOf, mendOf, publishChangeSet, readChangeSet, returnChangeSet, sets, submit } from './service.ts';

export const publishingHandlers: Handlers<
  'submit' | 'changeSets' | 'changeSet' | 'publish' | 'giveBack' | 'findings' | 'mend'
> = {
  submit: ({ body, user, services }) => submit({ ...body, user }, services),
  changeSets: ({ query, services }) => sets(query.state, services),
  changeSet: ({ params, services }) => readChangeSet(params.id, services),
  publish: ({ params, body, user, services }) => publishChangeSet(params.id, { user, note: body.note }, services),
  giveBack: ({ params, body, user, services }) => returnChangeSet(params.id, { user, note: body.note }, services),
  findings: ({ params, services }) => findingsOf(params.family, services),
  mend: ({ params, body, services }) => mendOf(params.family, body, services),
};
