export {
  changeRequest,
  countRequestsByClient,
  findRequest,
  insertRequest,
  listOpenRequests,
  listRequestsOfClients,
  lockRequest,
} from './repository.ts';
