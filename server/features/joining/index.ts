export { passwordFault } from './passwordRules.ts';
