export { newFootage } from './newFootage.ts';
export { removeFootageBytes } from './removal.ts';
export {
  changeFootage,
  countBouts,
  deleteFootage,
  findFootage,
  findFootageRows,
  findFootagesOfRequests,
  footageOf,
  insertBout,
  insertFootage,
} from './repository.ts';
export { frameTableOf } from './service.ts';
export type { FootageRow } from './model.ts';
