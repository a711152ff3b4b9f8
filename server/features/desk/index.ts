export { findDeskDocument, findDeskTake, isOnDesk, putDesk } from './deskItems.ts';
export { countDeskByRequest } from './repository.ts';
