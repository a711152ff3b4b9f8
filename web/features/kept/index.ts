export { checkKept, forgetKept, goneWords, keepClips, openWithoutNetwork } from './keeping.ts';
export { KeepOnPhone } from './KeepOnPhone.tsx';
export { keptClip } from './keptStore.ts';
export { KeptWay } from './KeptWay.tsx';
export { useKeptFilms } from './useKeptFilms.ts';
