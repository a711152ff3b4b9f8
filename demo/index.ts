export { clipPlans } from './scenario/clips.ts';
export { accounts, demoPassword } from './scenario/people.ts';
export { demoPractice } from './scenario/practice.ts';
export { stableId } from './scenario/stableId.ts';
export { bramVoice } from './voice/bramVoice.ts';
export { groundTruthOf, type GroundTruth } from './timeline/groundTruth.ts';
