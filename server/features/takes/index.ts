export { readTakeLog, type TakeLog } from './service.ts';
export { changeTake, findTake } from './repository.ts';
