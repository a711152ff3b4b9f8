export { checkKept, forgetKept, goneWords } from './keeping.ts';
export { KeepOnPhone } from './KeepOnPhone.tsx';
export { KeptWay } from './KeptWay.tsx';
export { useKeptFilms } from './useKeptFilms.ts';
