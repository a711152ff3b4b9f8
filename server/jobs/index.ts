export { countAhead, dropJob, enqueueJob } from './repository.ts';
