import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { coachesHere, visibleClients } from '../access/index.ts';
import * as drafts from './drafts.ts';
import { listDraftsOfClients, listRequestsOfClients } from './repository.ts';
import * as service from './service.ts';

export const listRequests =
  (house: House) =>
  async ({ account }: Call<typeof contract.listRequests>) => ({
    requests: await listRequestsOfClients(house, visibleClients(account), coachesHere(account) ? 'coaching' : 'client'),
  });

export const getRequest =
  (house: House) =>
  ({ account, params }: Call<typeof contract.getRequest>) =>
    service.getRequest(house, account, params.requestId);

export const listDrafts =
  (house: House) =>
  async ({ account }: Call<typeof contract.listDrafts>) => ({
    drafts: await listDraftsOfClients(
      house,
      account.clients.map((client) => client.id),
    ),
  });

export const beginDraft =
  (house: House) =>
  ({ account, body }: Call<typeof contract.beginDraft>) =>
    drafts.beginDraft(house, account, body.clientId);

export const saveDraft =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.saveDraft>) =>
    drafts.saveDraft(house, account, params.requestId, body);

export const discardDraft =
  (house: House) =>
  ({ account, params }: Call<typeof contract.discardDraft>) =>
    drafts.discardDraft(house, account, params.requestId);

export const addFootage =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.addFootage>) =>
    drafts.addFootage(house, account, params.requestId, body);

export const replaceFootage =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.replaceFootage>) =>
    drafts.replaceFootage(house, account, params.requestId, params.footageId, body);

export const removeFootage =
  (house: House) =>
  ({ account, params }: Call<typeof contract.removeFootage>) =>
    drafts.removeFootage(house, account, params.requestId, params.footageId);

export const sendRequest =
  (house: House) =>
  ({ account, params }: Call<typeof contract.sendRequest>) =>
    drafts.sendRequest(house, account, params.requestId);

export const approveRequest =
  (house: House) =>
  ({ account, params }: Call<typeof contract.approveRequest>) =>
    service.approveRequest(house, account, params.requestId);

export const sendBackRequest =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.sendBackRequest>) =>
    service.sendBackRequest(house, account, params.requestId, body.words);

export const askFirst =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.askFirst>) =>
    service.askFirst(house, account, params.requestId, body);

export const answerFirst =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.answerFirst>) =>
    service.answerFirst(house, account, params.requestId, body.words);

export const withdrawRequest =
  (house: House) =>
  ({ account, params }: Call<typeof contract.withdrawRequest>) =>
    service.withdrawRequest(house, account, params.requestId);

export const withdrawConsent =
  (house: House) =>
  ({ account, params }: Call<typeof contract.withdrawConsent>) =>
    service.withdrawConsent(house, account, params.requestId);
