export { footageArrived } from './arrival.ts';
export { newRequest } from './newRequest.ts';
export { footageRested } from './unreadable.ts';
export { changeRequest, findRequest, insertRequest, listOpenRequests, listRequestsOfClients, lockRequest } from './repository.ts';
