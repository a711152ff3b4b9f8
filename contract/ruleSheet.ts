import { ageGroups, comingUps, pointsJacket, ruleSheetAttires, scoredActions, tieBreaks, type RuleSheet } from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { sameAs } from './sameAs.ts';

/** A whole rule sheet, nothing left to what a sheet does not state. */
export const ruleSheet = sameAs<RuleSheet>()(
  z.object({
    name: z.string(),
    attire: z.enum(ruleSheetAttires),
    boutSeconds: z.number().nullable(),
    holdSeconds: z.number(),
    points: z.record(z.enum(scoredActions), z.number()),
    near: z.object({ notHeld: z.number(), close: z.number(), turtle: z.number() }),
    guardPullCosts: z.number(),
    // A sheet that was kept before there were ways through has what the sheets that ship have.
    originSeconds: z.number().default(pointsJacket.originSeconds),
    fiftyFifty: z.enum(comingUps).default(pointsJacket.fiftyFifty),
    entanglement: z.enum(comingUps).default(pointsJacket.entanglement),
    doublePull: z.enum(comingUps).default(pointsJacket.doublePull),
    takedownInto: z.object({ guard: z.number(), past: z.number() }).nullable().default(null),
    penalties: z.array(z.object({ near: z.number(), points: z.number(), loss: z.boolean() })).readonly(),
    pointsCount: z.enum(['always', 'second-half', 'never']),
    tie: z.array(z.enum(tieBreaks)).readonly(),
    decides: z.boolean(),
    restrictions: z
      .array(
        z.object({
          technique: z.string(),
          belowLevel: z.number().optional(),
          underAge: z.number().optional(),
          ageGroups: z.array(z.enum(ageGroups)).readonly().optional(),
        }),
      )
      .readonly(),
    notes: z.string(),
  }),
);
