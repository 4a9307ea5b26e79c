import type { Handlers } from '../../http/route.ts';
import { readProposals, settleProposal } from './service.ts';

export const proposalHandlers: Handlers<'proposals' | 'settleProposal'> = {
  proposals: ({ query, user, services }) => readProposals({ ...query, user }, services),
  settleProposal: ({ params, body, user, services }) => settleProposal(params.id, { ...body, user }, services),
};
