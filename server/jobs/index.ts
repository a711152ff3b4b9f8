export { enqueueJob } from './repository.ts';
