import { alarmKinds, bodyParts, bodySides, burdens, type Limit, type Load, type Part, type RequestLimits } from '@lean-mentor/core/care';
import { z } from 'zod';
import { sameAs } from './sameAs.ts';

export const part = sameAs<Part>()(z.object({ part: z.enum(bodyParts), side: z.enum(bodySides).nullable() }));
/** What something asks of a part of the body; without burdens: anything. */
export const load = sameAs<Load>()(part.extend({ burdens: z.array(z.enum(burdens)).max(burdens.length).optional() }));

/** An injury or a limit as data, read from a line of free words. */
export const limit = sameAs<Limit>()(
  load.extend({
    id: z.string().min(1).max(300),
    words: z.string().min(1).max(300),
    none: z.boolean(),
    alarm: z.enum(alarmKinds).nullable(),
    cleared: z.string().trim().max(300),
    byClient: z.boolean(),
    byCoach: z.boolean(),
  }),
);
/** Whatever hurts one person, as it was agreed. */
export const limits = z.array(limit).max(100);
/** What was agreed of what a request says hurts today, and of what hurts the partner. */
export const requestLimits = sameAs<RequestLimits>()(z.object({ own: limits, partner: limits }));
