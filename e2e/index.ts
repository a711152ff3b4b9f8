export { frameOnStage, laptop, launch, phone, settledFrame, visit, type Visit } from './visit.ts';
