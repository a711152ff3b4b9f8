export { newFootage } from './newFootage.ts';
export { changeFootage, countBouts, findFootage, findFootagesOfRequests, insertBout, insertFootage } from './repository.ts';
export { frameTableOf } from './service.ts';
