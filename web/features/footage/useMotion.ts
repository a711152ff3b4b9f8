import type { Footage } from '@lean-mentor/contract';
import { useGetMotionQuery, type MotionRead } from './api.ts';

/** What was read off a footage's movement; undefined until it is known, which is not before all of it is ready. */
export const useMotion = ({ id, state }: Pick<Footage, 'id' | 'state'>): MotionRead | undefined =>
  useGetMotionQuery(id, { skip: state !== 'ready' }).data;
