import { drillPartners } from '@lean-mentor/core/book';
import { cautionClasses } from '@lean-mentor/core/care';
import { positionCodes } from '@lean-mentor/core/scoring';
import {
  countedBy,
  partnerLevels,
  partnerSizes,
  roundOrders,
  type DoneRound,
  type Pain,
  type RoundTest,
  type WorkSession,
  type WorkTerms,
} from '@lean-mentor/core/work';
import { z } from 'zod';
import { load, part } from './care.ts';
import { id, techniqueName, written } from './ids.ts';
import { sameAs } from './sameAs.ts';

/** A calendar day, YYYY-MM-DD. */
export const day = z.iso.date();

export const pain = sameAs<Pain>()(z.object({ ...part.shape, words: z.string().trim().max(200) }));

const wayId = z.string().min(1).max(40);
const way = z.object({ id: wayId, words: written(24), wonBy: z.enum(['own', 'other', 'nobody']) });
const partner = z.object({ level: z.enum(partnerLevels), size: z.enum(partnerSizes) });

export const roundTest = sameAs<RoundTest>()(
  z.object({
    start: z.object({ position: z.enum(positionCodes), clientHolds: z.boolean().nullable(), grips: z.string().trim().max(120) }),
    ways: z
      .array(way)
      .min(2, 'Say at least two ways in which it can end.')
      .max(4, 'At most four ways can be counted on a phone.')
      .refine((ways) => new Set(ways.map((one) => one.id)).size === ways.length, 'Two ways have the same id.')
      .refine((ways) => ['own', 'other'].every((side) => ways.some(({ wonBy }) => wonBy === side)), 'Each side needs a way to win.'),
    minutes: z.number().min(0.5, 'At least half a minute.').max(20, 'At most 20 minutes a round.'),
    counts: z.enum(['chance', 'rate']),
  }),
);

const common = {
  name: written(120),
  cue: z.string().trim().max(200),
  how: z.string().trim().max(2000),
  caution: z.enum(cautionClasses),
  loads: z.array(load).max(20),
  techniques: z.array(techniqueName).max(20),
  equipment: z.string().trim().max(300),
  weeks: z.int().min(1, 'At least one week.').max(26, 'At most 26 weeks.'),
  timesPerWeek: z.int().min(1, 'At least once a week.').max(7, 'At most seven times a week.'),
  clipIds: z.array(id).max(6),
};

/** Work as it is given: a drill, or a positional round. */
export const workTerms = sameAs<WorkTerms>()(
  z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('drill'), ...common, partner: z.enum(drillPartners), minutes: z.number().min(0.5).max(120) }),
    z.object({
      ...{ kind: z.literal('round'), ...common, test: roundTest },
      rounds: z.int().min(1, 'At least one round.').max(10, 'At most ten rounds.'),
      restSeconds: z.int().min(0).max(600),
      wanted: partner,
      swaps: z.boolean(),
      advice: z.string().trim().max(300),
      order: z.enum(roundOrders),
    }),
  ]),
);

/** Of the longest round: one press every two seconds. */
const mostPresses = 600;
const mostRoundMs = 30 * 60_000;
export const doneRound = sameAs<DoneRound>()(
  z.object({
    when: z.enum(['before', 'after']).nullable(),
    place: z.enum(['own', 'other']),
    ranMs: z.number().min(0).max(mostRoundMs),
    partner,
    by: z.enum(countedBy),
    presses: z.array(z.object({ wayId, atMs: z.number().min(0).max(mostRoundMs).nullable() })).max(mostPresses),
  }),
);

/** Work as it was done on a day. */
export const workSession = sameAs<WorkSession>()(
  z.object({
    id,
    doneOn: day,
    rounds: z.array(doneRound).max(20),
    felt: z.int().min(1).max(5).nullable(),
    line: z.string().trim().max(300),
    pains: z.array(pain).max(10),
  }),
);
