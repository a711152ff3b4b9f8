export { putStarterBookOnce } from './entries.ts';
export { changeClip, findClip, findClips, findDrills, findPrinciples } from './repository.ts';
