export { findDeskDocument, putDesk } from './deskThings.ts';
export { countDeskByRequest } from './repository.ts';
