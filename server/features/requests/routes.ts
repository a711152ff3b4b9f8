import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const requestRoutes = (house: House) => [
  route(contract.listRequests, handlers.listRequests(house)),
  route(contract.getRequest, handlers.getRequest(house)),
  route(contract.listDrafts, handlers.listDrafts(house)),
  route(contract.beginDraft, handlers.beginDraft(house)),
  route(contract.saveDraft, handlers.saveDraft(house)),
  route(contract.discardDraft, handlers.discardDraft(house)),
  route(contract.addFootage, handlers.addFootage(house)),
  route(contract.replaceFootage, handlers.replaceFootage(house)),
  route(contract.removeFootage, handlers.removeFootage(house)),
  route(contract.sendRequest, handlers.sendRequest(house)),
  route(contract.approveRequest, handlers.approveRequest(house)),
  route(contract.sendBackRequest, handlers.sendBackRequest(house)),
  route(contract.askFirst, handlers.askFirst(house)),
  route(contract.answerFirst, handlers.answerFirst(house)),
  route(contract.withdrawRequest, handlers.withdrawRequest(house)),
  route(contract.withdrawConsent, handlers.withdrawConsent(house)),
];
