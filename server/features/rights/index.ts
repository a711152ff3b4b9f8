export { forgetWhoAsked } from './forget.ts';
export { removeWhatIsOver } from './retention.ts';
export { leaveTrail } from './trail.ts';
