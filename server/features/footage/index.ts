export { setBoutCoding } from './boutCoding.ts';
export { withCompared } from './compared.ts';
export { removeOldEditions } from './editions.ts';
export { newFootage } from './newFootage.ts';
export { requireRoomFor } from './quotas.ts';
export { removeFootageBytes } from './removal.ts';
export {
  boutOf,
  changeBout,
  changeFootage,
  countBouts,
  deleteBout,
  deleteFootage,
  findBout,
  findBoutsCodedAtDesk,
  findBoutsOfFootage,
  findFootage,
  findFootageByUpload,
  findFootageRows,
  findFootages,
  findFootagesOfRequests,
  findLongUploading,
  findOwnFootage,
  footageOf,
  insertBout,
  insertFootage,
  releaseFootages,
} from './repository.ts';
export { frameTableOf, frameTableSoFar, knownFrameTable, readyFootage, visibleFootage } from './service.ts';
export { timedOf } from './timedOf.ts';
export type { BoutRow, FootageRow } from './model.ts';
