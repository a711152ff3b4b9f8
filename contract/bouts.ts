import {
  afterFinishes,
  attemptOutcomes,
  positionCodes,
  ruleSheetNames,
  threatEnds,
  type FrameEvent,
  type FrameThreat,
  type Span,
} from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { frame, id, techniqueName } from './ids.ts';
import { everyRole, operation } from './operation.ts';
import { posture } from './posture.ts';
import { sameAs } from './sameAs.ts';

const name = techniqueName.optional();
export const span = sameAs<Span>()(
  z.object({
    position: z.enum(positionCodes),
    holder: z.enum(['client', 'partner']).nullable(),
    fromFrame: frame,
    toFrame: frame,
    name,
    posture: posture.optional(),
  }),
);

const athlete = z.enum(['client', 'partner']);
/** An event of a bout on a frame; of a penalty, `athlete` is who gets it. */
export const frameEvent = sameAs<FrameEvent>()(
  z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('attempt'),
      athlete,
      technique: z.string().max(60),
      outcome: z.enum(attemptOutcomes),
      close: z.boolean().optional(),
      name,
      atFrame: frame,
    }),
    z.object({ kind: z.literal('guard-pull'), athlete, gripped: z.boolean().optional(), atFrame: frame }),
    z.object({ kind: z.literal('stoppage'), atFrame: frame }),
    z.object({
      kind: z.literal('restart'),
      position: z.enum(positionCodes).optional(),
      holder: athlete.nullable().optional(),
      atFrame: frame,
    }),
    z.object({ kind: z.literal('penalty'), athlete, atFrame: frame }),
    z.object({ kind: z.literal('finish'), athlete, technique: z.string().max(60), name, atFrame: frame }),
    z.object({ kind: z.literal('catch-and-release'), athlete, technique: z.string().max(60), name, atFrame: frame }),
  ]),
);

/** A finishing attack of a bout; frames from inclusive, to exclusive. */
export const frameThreat = sameAs<FrameThreat>()(
  z.object({
    athlete,
    name: techniqueName,
    fromFrame: frame,
    lockedFrame: frame.optional(),
    toFrame: frame,
    ended: z.enum(threatEnds),
    tradedFor: z.string().max(80).optional(),
  }),
);

export const outcomes = ['won', 'lost', 'level'] as const;

/**
 * A bout inside footage: frames from inclusive, to exclusive; its clock starts at `fromFrame`. Spans may be empty while no
 * positions are coded. What is null or empty is as the request says.
 */
export const bout = z.object({
  id,
  fromFrame: frame,
  toFrame: frame,
  spans: z.array(span).max(2000),
  events: z.array(frameEvent).max(2000).default([]),
  threats: z.array(frameThreat).max(500).default([]),
  /** Found by the motion analysis and not yet accepted by a person. */
  proposed: z.boolean().default(false),
  /** Place in the day's order, from 1. */
  order: z.int().min(1).max(200).default(1),
  /** How long it was meant to be, in seconds. */
  lengthSeconds: z.number().min(10).max(3600).nullable().default(null),
  /** Whether a finish ends it; null: as rounds of its kind do. */
  afterFinish: z.enum(afterFinishes).nullable().default(null),
  ruleSheet: z.enum(ruleSheetNames).nullable().default(null),
  /** A version of a sheet of the coach's own, which then goes before `ruleSheet`. */
  sheetId: id.nullable().default(null),
  clientWords: z.string().trim().max(120).default(''),
  partnerWords: z.string().trim().max(120).default(''),
  outcome: z.enum(outcomes).nullable().default(null),
  /** "by 4 to 2", "armlock at 3:10". */
  outcomeWords: z.string().trim().max(120).default(''),
  /** Grows with every change of the bout; 0 for one that was not stored yet. */
  version: z.int().min(0).default(0),
});
export type Bout = z.infer<typeof bout>;

/** What a person says of a bout. What is coded of it is the desk's, and follows its edges. */
export const boutFields = bout.omit({ id: true, spans: true, events: true, threats: true, version: true });
export const boutEdit = z.object({
  id,
  /** The version of the bout that was edited; 0 of a new one. */
  base: z.int().min(0),
  /** Of a new one that was split off: from which bout, whose coding in its stretch it takes along. */
  splitFrom: id.nullable().default(null),
  /** Null: it is taken away. */
  after: boutFields.nullable(),
});
export type BoutEdit = z.infer<typeof boutEdit>;

export const editBouts = operation({
  name: 'editBouts',
  room: 'bouts',
  method: 'post',
  path: '/api/footages/:footageId/bouts',
  access: everyRole,
  limits: { bytes: 256 * 1024, values: 8000 },
  about: ['request'],
  summary:
    'Bouts of a footage, accepted, moved, split off, added, taken away: all edits or none. Refused where somebody else changed one of them since; what is coded cannot be taken away.',
  params: z.object({ footageId: id }),
  body: z.object({ edits: z.array(boutEdit).max(200) }),
  response: z.object({ bouts: z.array(bout) }),
});
