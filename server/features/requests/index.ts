export { changeRequest, countRequestsByClient, findRequest, insertRequest, listOpenRequests, listRequestsOfClients } from './repository.ts';
