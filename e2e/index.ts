export { signInTo, type Caller } from './caller.ts';
export { frameOnStage, laptop, launch, phone, settledFrame, visit, type Visit } from './visit.ts';
