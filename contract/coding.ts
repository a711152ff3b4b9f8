import { codingStates } from '@lean-mentor/core/desk';
import { attemptOutcomes, boutEventKinds, positionCodes, threatEnds } from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { frame, id, techniqueName } from './ids.ts';
import { posture } from './posture.ts';

const ofFootage = { id, footageId: id };
const athlete = z.enum(['client', 'partner']);
const position = z.enum(positionCodes);
const name = techniqueName.optional();
export const coding = z.object({
  ...ofFootage,
  boutId: id,
  coderId: id,
  coderName: z.string().max(120),
  state: z.enum(codingStates),
});
export const cut = z.object({
  ...ofFootage,
  codingId: id,
  atFrame: frame,
  position,
  holder: athlete.nullable(),
  name,
  posture: posture.optional(),
});
export const event = z.object({
  ...ofFootage,
  codingId: id,
  atFrame: frame,
  kind: z.enum(boutEventKinds),
  athlete: athlete.nullable(),
  technique: z.string().max(60).nullable(),
  outcome: z.enum(attemptOutcomes).nullable(),
  close: z.boolean(),
  gripped: z.boolean(),
  position: position.nullable(),
  holder: athlete.nullable(),
  name,
});
/** A finishing attack while it is coded: not tight yet, not over yet. */
export const threat = z.object({
  ...ofFootage,
  codingId: id,
  athlete,
  name: z.string().trim().max(80),
  fromFrame: frame,
  lockedFrame: frame.nullable(),
  toFrame: frame.nullable(),
  ended: z.enum(threatEnds),
  tradedFor: z.string().max(80).optional(),
});
export const override = z.object({
  ...ofFootage,
  boutId: id,
  athlete,
  action: z.string().max(40),
  atFrame: frame,
  points: z.int().min(-20).max(20),
  near: z.int().min(-20).max(20),
  why: z.string().max(500),
});
