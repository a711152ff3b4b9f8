export { findDeskDocument, findDeskTake, findNote, findTakeAnywhere, isOnDesk, putDesk } from './deskItems.ts';
export { countDeskByRequest } from './repository.ts';
