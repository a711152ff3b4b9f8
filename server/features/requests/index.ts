export { footageArrived } from './arrival.ts';
export { beginDraft, discardOldDraft, saveDraft } from './drafts.ts';
export { removeFootageThatRests } from './removal.ts';
export { newRequest } from './newRequest.ts';
export { footageRested } from './unreadable.ts';
export { letGoOn, placeRequest, requestAnswered } from './service.ts';
export type { RequestRow } from './model.ts';
export {
  changeRequest,
  findDraft,
  findRequest,
  insertRequest,
  lockWaiting,
  listOpenRequests,
  listRequestsOfClients,
  lockRequest,
} from './repository.ts';
