export { handOver } from './people.ts';
export { passwordFault } from './passwordRules.ts';
