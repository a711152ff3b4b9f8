export { dropJob, enqueueJob } from './repository.ts';
