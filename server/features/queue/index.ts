export { putDeskTime } from './repository.ts';
