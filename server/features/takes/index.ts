export { makeHeardVoice } from './heardVoice.ts';
export { finishTake, readTakeLog, saveTakePiece } from './service.ts';
export { changeTake, findTake } from './repository.ts';
