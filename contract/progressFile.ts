import type { FixSeries } from '@lean-mentor/core/followup';
import { z } from 'zod';
import { schemaFault } from './schemaFault.ts';

const count = z.int().min(0).max(100_000);
const request = z.union([z.string(), z.number()]).optional();

/** What was counted of one fix, request by request, oldest first (format lean-mentor/progress@1). */
export const progressFile = z.discriminatedUnion('kind', [
  z.looseObject({
    format: z.literal('lean-mentor/progress@1'),
    kind: z.literal('rate'),
    series: z
      .array(z.looseObject({ request, mistakes: count, exposureMinutes: z.number().positive().max(100_000) }))
      .min(1)
      .max(1000),
  }),
  z.looseObject({
    format: z.literal('lean-mentor/progress@1'),
    kind: z.literal('chance'),
    series: z
      .array(z.looseObject({ request, successes: count, chances: count }))
      .min(1)
      .max(1000),
  }),
]);

/** Reads a progress file that was parsed from JSON. Every fault is told with its place. */
export function readProgressFile(json: unknown): FixSeries | { faults: string[] } {
  const parsed = progressFile.safeParse(json);
  if (!parsed.success) return { faults: parsed.error.issues.flatMap((issue) => schemaFault(json, issue)) };
  const file = parsed.data;
  if (file.kind === 'rate') return { kind: 'rate', series: file.series };
  const faults = file.series.flatMap(({ successes, chances }, i) =>
    successes > chances ? [`series[${i}].successes ${successes} is more than its ${chances} chances.`] : [],
  );
  return faults.length > 0 ? { faults } : { kind: 'chance', series: file.series };
}
