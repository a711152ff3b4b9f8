export { findDeskDocument, isOnDesk, putDesk } from './deskItems.ts';
export { countDeskByRequest } from './repository.ts';
