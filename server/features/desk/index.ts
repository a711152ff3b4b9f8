export { findDeskDocument, putDesk } from './deskItems.ts';
export { countDeskByRequest } from './repository.ts';
