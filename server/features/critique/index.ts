export { makeExport, removeOldExports } from './export/askExport.ts';
export { exportedCritiques } from './export/index.ts';
export { changeExport } from './export/repository.ts';
export { sentFixesOf, sentMomentOf } from './sentMoment.ts';
export { addVersion, findForksChosen, findQuestionsOf, findSentToSince, findSentVersions, putCritique } from './repository.ts';
export { listCritiquesOfClient } from './reading.ts';
export { shortCodeOf } from './shortCode.ts';
export { readByLink } from './links/service.ts';
export { sentTakeOf } from './spoken.ts';
