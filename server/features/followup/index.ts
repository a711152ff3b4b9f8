export { clientThreads } from './progress.ts';
