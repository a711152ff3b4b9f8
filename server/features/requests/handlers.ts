import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { coachesHere, visibleClients } from '../access/index.ts';
import * as drafts from './drafts.ts';
import { listDraftsOfClients, listRequestsOfClients } from './repository.ts';
import * as service from './service.ts';

export const requestHandlers: Handlers<typeof rooms.requests> = {
  listRequests: async (house, { account }) => ({
    requests: await listRequestsOfClients(house, visibleClients(account), coachesHere(account) ? 'coaching' : 'client'),
  }),

  getRequest: (house, { account, params }) => service.getRequest(house, account, params.requestId),

  listDrafts: async (house, { account }) => ({
    drafts: await listDraftsOfClients(
      house,
      account.clients.map((client) => client.id),
    ),
  }),

  beginDraft: (house, { account, body }) => drafts.beginDraft(house, account, body.clientId),

  saveDraft: (house, { account, params, body }) => drafts.saveDraft(house, account, params.requestId, body),

  discardDraft: (house, { account, params }) => drafts.discardDraft(house, account, params.requestId),

  addFootage: (house, { account, params, body }) => drafts.addFootage(house, account, params.requestId, body),

  replaceFootage: (house, { account, params, body }) => drafts.replaceFootage(house, account, params.requestId, params.footageId, body),

  removeFootage: (house, { account, params }) => drafts.removeFootage(house, account, params.requestId, params.footageId),

  sendRequest: (house, { account, params }) => drafts.sendRequest(house, account, params.requestId),

  approveRequest: (house, { account, params }) => service.approveRequest(house, account, params.requestId),

  sendBackRequest: (house, { account, params, body }) => service.sendBackRequest(house, account, params.requestId, body.words),

  askFirst: (house, { account, params, body }) => service.askFirst(house, account, params.requestId, body),

  answerFirst: (house, { account, params, body }) => service.answerFirst(house, account, params.requestId, body.words),

  keepRequestLimits: (house, { account, params, body }) => service.keepRequestLimits(house, account, params.requestId, body),

  withdrawRequest: (house, { account, params }) => service.withdrawRequest(house, account, params.requestId),

  withdrawConsent: (house, { account, params }) => service.withdrawConsent(house, account, params.requestId),
};
