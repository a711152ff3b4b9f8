export { browserPath, launch, type Visit, visit } from './visit.ts';
