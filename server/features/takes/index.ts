export { finishTake, readTakeLog, saveTakePiece } from './service.ts';
export { changeTake, findTake } from './repository.ts';
