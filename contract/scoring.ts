import {
  afterFinishes,
  ageGroups,
  attemptOutcomes,
  positionCodes,
  ruleSheetNames,
  threatEnds,
  valuePresets,
  type TimedBout,
  type TimedThreat,
} from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { inlineRuleSheet } from './boutFile.ts';
import { bout } from './bouts.ts';
import { done, id, instant, techniqueName } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { posture } from './posture.ts';
import { intake } from './requests.ts';
import { sameAs } from './sameAs.ts';

/** One version of a sheet of the coach's own; it never changes, so that what was scored by it stays scored by it. */
export const ownRuleSheet = z.object({
  id,
  familyId: id,
  version: z.int().min(1),
  /** What it does not state is as on "points-jacket". */
  sheet: inlineRuleSheet,
  madeAt: instant,
  retired: z.boolean(),
});
export type OwnRuleSheet = z.infer<typeof ownRuleSheet>;

export const listRuleSheets = operation({
  name: 'listRuleSheets',
  room: 'scoring',
  method: 'get',
  path: '/api/rule-sheets',
  access: coaching,
  about: ['rule-sheet'],
  summary: "Every version of the coach's own rule sheets, newest version first.",
  response: z.object({ sheets: z.array(ownRuleSheet) }),
});

export const saveRuleSheet = operation({
  name: 'saveRuleSheet',
  room: 'scoring',
  method: 'post',
  path: '/api/rule-sheets',
  access: ['coach'],
  about: ['rule-sheet'],
  summary:
    'A new version of a family of sheets (a new family where there is none of that id). Refused in words where it contradicts itself.',
  body: z.object({ id, familyId: id, sheet: inlineRuleSheet }),
  response: ownRuleSheet,
});

export const retireRuleSheet = operation({
  name: 'retireRuleSheet',
  room: 'scoring',
  method: 'delete',
  path: '/api/rule-sheets/:familyId',
  access: ['coach'],
  about: ['rule-sheet'],
  summary: 'No longer offers a family of sheets. What was scored by it stays as it is.',
  params: z.object({ familyId: id }),
  response: done,
});

export const chooseBoutSheet = operation({
  name: 'chooseBoutSheet',
  room: 'scoring',
  method: 'put',
  path: '/api/bouts/:boutId/rule-sheet',
  access: coaching,
  summary: 'By which sheet a bout is scored: one that ships, or a version of the coach’s own.',
  params: z.object({ boutId: id }),
  body: z.object({ ruleSheet: z.enum(ruleSheetNames).nullable(), sheetId: id.nullable() }),
  response: done,
});

/** What a position is worth to its holder, for the lean: a preset, and the coach's own values in place of some of it. */
export const positionWorth = z.object({
  preset: z.enum(valuePresets),
  own: z.partialRecord(z.enum(positionCodes), z.int().min(-100).max(100)),
});
export type PositionWorth = z.infer<typeof positionWorth>;

export const getPositionWorth = operation({
  name: 'getPositionWorth',
  room: 'scoring',
  method: 'get',
  path: '/api/position-worth',
  access: everyRole,
  about: ['position-worth'],
  summary: 'What positions are worth in this practice.',
  response: positionWorth,
});

export const savePositionWorth = operation({
  name: 'savePositionWorth',
  room: 'scoring',
  method: 'put',
  path: '/api/position-worth',
  access: ['coach'],
  summary: 'Sets what positions are worth in this practice; every ribbon follows.',
  body: positionWorth,
  response: positionWorth,
});

const athlete = z.enum(['client', 'partner']);
const position = z.enum(positionCodes);
const holder = athlete.nullable();
const at = { at: z.number() };
const name = techniqueName.optional();
const person = z.object({ age: z.number().nullable(), ageGroup: z.enum(ageGroups).nullable().optional(), level: z.number().nullable() });
const threat = sameAs<TimedThreat>()(
  z.object({
    athlete,
    name: techniqueName,
    from: z.number(),
    lockedAt: z.number().optional(),
    to: z.number(),
    ended: z.enum(threatEnds),
    tradedFor: z.string().optional(),
  }),
);
const timedBout = sameAs<TimedBout>()(
  z.object({
    lengthSeconds: z.number(),
    clockSeconds: z.number().nullable().optional(),
    openEnd: z.boolean().optional(),
    spans: z.array(z.object({ position, holder, from: z.number(), to: z.number(), name, posture: posture.optional() })),
    afterFinish: z.enum(afterFinishes).optional(),
    threats: z.array(threat).optional(),
    people: z.object({ client: person, partner: person }).optional(),
    events: z.array(
      z.discriminatedUnion('kind', [
        z.object({
          kind: z.literal('attempt'),
          athlete,
          technique: z.string(),
          outcome: z.enum(attemptOutcomes),
          close: z.boolean().optional(),
          name,
          ...at,
        }),
        z.object({ kind: z.literal('guard-pull'), athlete, gripped: z.boolean().optional(), ...at }),
        z.object({ kind: z.literal('stoppage'), ...at }),
        z.object({ kind: z.literal('restart'), position: position.optional(), holder: holder.optional(), ...at }),
        z.object({ kind: z.literal('penalty'), athlete, ...at }),
        z.object({ kind: z.literal('finish'), athlete, technique: z.string(), name, ...at }),
        z.object({ kind: z.literal('catch-and-release'), athlete, technique: z.string(), name, ...at }),
      ]),
    ),
  }),
);

export const getClientBouts = operation({
  name: 'getClientBouts',
  room: 'scoring',
  method: 'get',
  path: '/api/clients/:clientId/bouts',
  access: coaching,
  summary: 'Every coded bout of a client in seconds, oldest first, for statistics and patterns over time.',
  params: z.object({ clientId: id }),
  response: z.object({
    bouts: z.array(
      z.object({
        id,
        requestId: id,
        footageId: id,
        fromFrame: z.int(),
        toFrame: z.int(),
        /** The first frame of each of its spans. */
        spanFrames: z.array(z.int()),
        /** How the coach or the client told the partner apart: "white shirt"; empty where nobody did. */
        partner: z.string(),
        sentAt: instant,
        ruleSheet: z.enum(ruleSheetNames),
        sheetId: id.nullable(),
        ...bout.pick({ lengthSeconds: true, afterFinish: true }).shape,
        /** What the client said of it when sending it. */
        said: intake.pick({ lengthMinutes: true, kind: true }),
        /** As it is coded; what it goes by is said beside it. */
        timed: timedBout,
      }),
    ),
  }),
});
