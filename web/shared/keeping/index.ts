export { useRestingSave } from './useRestingSave.ts';
