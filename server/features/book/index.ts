export { putStarterBookOnce } from './entries.ts';
export { changeClip, findClip, findDrills, findPrinciples } from './repository.ts';
