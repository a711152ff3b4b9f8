export { footageArrived } from './arrival.ts';
export { finishLeftUploads, finishUpload } from './arriving.ts';
export { newRequest } from './newRequest.ts';
export { footageRested } from './unreadable.ts';
export {
  changeRequest,
  countRequestsByClient,
  findRequest,
  insertRequest,
  listOpenRequests,
  listRequestsOfClients,
  lockRequest,
} from './repository.ts';
