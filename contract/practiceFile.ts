import { orderPolicies } from '@lean-mentor/core/queue';
import { z } from 'zod';
import { critiqueDoc } from './critiqueDoc.ts';
import { deskDocument } from './desk.ts';
import { bout } from './bouts.ts';

import { id, instant } from './ids.ts';
import { everyRole } from './operation.ts';
import { client } from './clients.ts';
import { takeSeconds } from './deskTake.ts';
import { billing } from './money.ts';
import { planFields, turnaround, workingHours } from './practice.ts';
import { intake } from './requests.ts';
import { takeEvent } from './takeFile.ts';
import { voiceTypes } from './takes.ts';
import { training } from './work.ts';
import { workSession, workTerms } from './workTerms.ts';

/** A whole practice as a file: what the demo writes and `importPractice` reads. Passwords are plain here and stored hashed. */
export const practiceFile = z.object({
  format: z.literal('lean-mentor/practice@1'),
  accounts: z.array(
    z.object({ id, name: z.string(), email: z.email(), password: z.string().min(8), role: z.enum(everyRole), clientIds: z.array(id) }),
  ),
  clients: z.array(client.omit({ guardianName: true, age: true })),
  /** How the practice works, what plans it has and who has which. */
  practice: z
    .object({
      hours: workingHours,
      policy: z.enum(orderPolicies),
      turnaround,
      currency: z.string().length(3),
      plans: z.array(planFields.extend({ id })),
      memberships: z.array(z.object({ id, clientId: id, planId: id, fromOn: z.iso.date(), gifted: z.boolean().default(false) })),
      /** From when its plans are invoiced, and which clients have not paid their last invoice. */
      billing: billing.extend({ unpaidBy: z.array(id) }).optional(),
    })
    .optional(),
  /** How clients train. */
  training: z.array(training.extend({ clientId: id })).default([]),
  /** What they were given to do on the mat, and what they did of it. */
  work: z
    .array(
      z.object({
        ...{ id, clientId: id, principleId: id.nullable(), requestId: id.nullable(), terms: workTerms, fromOn: z.iso.date() },
        givenDaysAgo: z.number().min(0),
        /** `seen`: whether somebody of the coaching side has looked at it. */
        done: z.array(workSession.extend({ seen: z.boolean() })),
      }),
    )
    .default([]),
  requests: z.array(
    intake.extend({
      id,
      clientId: id,
      sentAt: instant,
      dueAt: instant,
      /** When its critique was said to be there in eight of ten cases. */
      saidByAt: instant.nullable().default(null),
      /** Minutes somebody has spent on it at the desk. */
      deskMinutes: z.number().min(0).max(1440).default(0),
      /**
       * Each with its file, beside the practice file or an absolute path, and the bouts in it. Where it is null the footage was removed
       * and only how long it was is known.
       */
      footages: z
        .array(z.object({ id, file: z.string().nullable(), seconds: z.number().min(0).nullable().default(null), bouts: z.array(bout) }))
        .min(1),
      document: deskDocument.optional(),
      /** What was spoken for the takes on the desk, each with its sound beside the practice file and what was done meanwhile. */
      recordings: z
        .array(
          z.object({ takeId: id, file: z.string(), type: z.enum(voiceTypes), seconds: takeSeconds, events: z.array(takeEvent).min(1) }),
        )
        .default([]),
      critique: z.object({ id, doc: critiqueDoc, sentAt: instant, readAt: instant.nullable() }).optional(),
    }),
  ),
});
export type PracticeFile = z.infer<typeof practiceFile>;
