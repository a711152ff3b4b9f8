export { countDeskByRequest, findDeskDocument } from './repository.ts';
