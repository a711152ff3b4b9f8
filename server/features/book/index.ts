export { changeClip, findClip } from './repository.ts';
