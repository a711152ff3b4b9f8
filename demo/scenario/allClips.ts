import type { ClipPlan } from '../timeline/clipPlan.ts';
import { clipPlans } from './clips.ts';
import { shortRounds } from './shortRounds.ts';

/** Every clip that ships, the long ones first. */
export const allClips: readonly ClipPlan[] = [...clipPlans, ...shortRounds];
