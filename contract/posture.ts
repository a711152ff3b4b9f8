import { bottomPostures, topPostures, type Posture } from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { sameAs } from './sameAs.ts';

const athlete = z.enum(['client', 'partner']);

/** How the two are in a position, as far as somebody said it. */
export const posture = sameAs<Posture>()(
  z.object({
    top: z.enum(topPostures).optional(),
    bottom: z.enum(bottomPostures).optional(),
    inside: athlete.optional(),
    head: athlete.optional(),
  }),
);
