export { sentFixOf } from './sentFix.ts';
export { putCritique } from './repository.ts';
export { listCritiquesOfClient } from './service.ts';
