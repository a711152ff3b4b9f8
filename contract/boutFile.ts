import {
  afterFinishes,
  ageGroups,
  attemptOutcomes,
  comingUps,
  positionCodes,
  ruleSheetNames,
  scoredActions,
  threatEnds,
  tieBreaks,
  valuePresets,
} from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { techniqueName } from './ids.ts';
import { posture } from './posture.ts';

const athlete = z.enum(['client', 'partner']);
const holder = athlete.nullable();
const position = z.enum(positionCodes);
const seconds = z.number().min(0).max(86_400);
const frame = z.int().min(0).max(10_000_000);
const points = z.number().min(-100).max(100);

/** Points may be left out: what a sheet does not state is as on "points-jacket". */
export const inlineRuleSheet = z.looseObject({
  name: z.string().max(80).optional(),
  attire: z.enum(['jacket', 'no-jacket', 'either']).optional(),
  boutSeconds: z.number().nullable().optional(),
  holdSeconds: z.number().optional(),
  points: z.strictObject(Object.fromEntries(scoredActions.map((action) => [action, points.optional()]))).optional(),
  near: z.strictObject({ notHeld: points.optional(), close: points.optional(), turtle: points.optional() }).optional(),
  guardPullCosts: points.optional(),
  originSeconds: z.number().optional(),
  fiftyFifty: z.enum(comingUps).optional(),
  entanglement: z.enum(comingUps).optional(),
  doublePull: z.enum(comingUps).optional(),
  takedownInto: z.strictObject({ guard: points, past: points }).nullable().optional(),
  penalties: z
    .array(z.object({ near: points.default(0), points: points.default(0), loss: z.boolean().default(false) }))
    .max(20)
    .optional(),
  pointsCount: z.enum(['always', 'second-half', 'never']).optional(),
  tie: z.array(z.enum(tieBreaks)).optional(),
  decides: z.boolean().optional(),
  restrictions: z
    .array(
      z.object({
        technique: z.string().trim().min(1).max(60),
        belowLevel: z.int().min(2).max(5).optional(),
        underAge: z.int().min(1).max(99).optional(),
        ageGroups: z.array(z.enum(ageGroups)).optional(),
      }),
    )
    .max(200)
    .optional(),
  notes: z.string().max(2000).optional(),
});

const person = z.looseObject({
  name: z.string().optional(),
  level: z.int().min(0).max(10).nullable().optional(),
  age: z.int().min(0).max(130).nullable().optional(),
  ageGroup: z.string().nullable().optional(),
});

const name = techniqueName.optional();
/** `fromSeconds` inclusive, `toSeconds` exclusive; or frames, with `frameTimes` in the file. */
export const boutFileSpan = z.looseObject({
  position,
  holder: holder.default(null),
  name,
  /** How the two are in it: top standing or on the knees, below flat, on the side or seated, whose hands are inside, whose is on a head. */
  posture: posture.optional(),
  fromSeconds: seconds.optional(),
  toSeconds: seconds.optional(),
  fromFrame: frame.optional(),
  toFrame: frame.optional(),
});

const at = { atSeconds: seconds.optional(), atFrame: frame.optional() };
export const boutFileEvent = z.discriminatedUnion('kind', [
  z.looseObject({
    kind: z.literal('attempt'),
    athlete,
    technique: z.string().min(1).max(60),
    outcome: z.enum(attemptOutcomes),
    close: z.boolean().optional(),
    name,
    ...at,
  }),
  z.looseObject({ kind: z.literal('guard-pull'), athlete, gripped: z.boolean().optional(), ...at }),
  z.looseObject({ kind: z.literal('stoppage'), ...at }),
  z.looseObject({ kind: z.literal('restart'), position: position.optional(), holder: holder.optional(), ...at }),
  z.looseObject({ kind: z.literal('penalty'), athlete, ...at }),
  z.looseObject({ kind: z.literal('finish'), athlete, technique: z.string().max(60).default(''), name, ...at }),
  z.looseObject({ kind: z.literal('catch-and-release'), athlete, technique: z.string().max(60).default(''), name, ...at }),
]);

/** A finishing attack beside the position; `lockedAtSeconds`: from when it was tight. */
export const boutFileThreat = z.looseObject({
  athlete,
  name: techniqueName,
  fromSeconds: seconds,
  lockedAtSeconds: seconds.optional(),
  toSeconds: seconds,
  ended: z.enum(threatEnds),
  tradedFor: z.string().max(80).optional(),
});

/**
 * A coded bout (format lean-mentor/bout@1). Seconds run from the bout's start on the footage clock, stoppages not taken out. What
 * is not known here is kept as it is.
 */
export const boutFile = z.looseObject({
  format: z.literal('lean-mentor/bout@1'),
  lengthSeconds: z.number().positive().max(86_400),
  /** How long it was meant to be on the bout clock; where it is not said, as the sheet has it. */
  clockSeconds: z.number().positive().max(86_400).nullable().optional(),
  /** Whether a finish ends the bout, or closes a fall after which the two start again. */
  afterFinish: z.enum(afterFinishes).default('ends'),
  ruleSheet: z.union([z.enum(ruleSheetNames), inlineRuleSheet]).default('points-jacket'),
  valuePreset: z.enum(valuePresets).optional(),
  client: person.default({}),
  partner: person.default({}),
  /** Seconds of every frame of the footage, ascending. */
  frameTimes: z.array(z.number()).max(2_000_000).optional(),
  spans: z.array(boutFileSpan).max(5000),
  events: z.array(boutFileEvent).max(5000).default([]),
  threats: z.array(boutFileThreat).max(1000).default([]),
});
export type BoutFile = z.infer<typeof boutFile>;
export type InlineRuleSheet = z.infer<typeof inlineRuleSheet>;
