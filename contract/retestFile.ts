import type { RetestSeries } from '@lean-mentor/core/followup';
import { z } from 'zod';
import { schemaFault } from './schemaFault.ts';

const count = z.int().min(0).max(2000);
const at = z.union([z.string(), z.number()]).optional();
/** How often the series was looked at, this time counted; left out: it is looked at this once. */
const looks = z.int().min(1).max(1000).optional();
const mostTests = 60;

/** Retests of one start, oldest first (format lean-mentor/retest@1). */
export const retestFile = z.discriminatedUnion('kind', [
  z.looseObject({
    format: z.literal('lean-mentor/retest@1'),
    kind: z.literal('chance'),
    tests: z
      .array(z.looseObject({ at, successes: count, chances: count }))
      .min(1)
      .max(mostTests),
    looks,
  }),
  z.looseObject({
    format: z.literal('lean-mentor/retest@1'),
    kind: z.literal('rate'),
    tests: z
      .array(z.looseObject({ at, mistakes: count, minutes: z.number().positive().max(100_000) }))
      .min(1)
      .max(mostTests),
    looks,
  }),
]);

/** All counts of a file together: beyond it an exact answer takes too long to wait for. */
const mostCounted = 2000;

export interface ReadRetest {
  series: RetestSeries;
  looks: number | null;
}

/** Reads a retest file that was parsed from JSON. Every fault is told with its place. */
export function readRetestFile(json: unknown): ReadRetest | { faults: string[] } {
  const parsed = retestFile.safeParse(json);
  if (!parsed.success) return { faults: parsed.error.issues.flatMap((issue) => schemaFault(json, issue)) };
  const file = parsed.data;
  const faults: string[] = [];
  if (file.kind === 'chance')
    file.tests.forEach(({ successes, chances }, i) => {
      if (successes > chances) faults.push(`tests[${i}].successes ${successes} is more than its ${chances} chances.`);
    });
  const counted =
    file.kind === 'chance'
      ? file.tests.reduce((sum, { successes }) => sum + successes, 0)
      : file.tests.reduce((sum, { mistakes }) => sum + mistakes, 0);
  if (counted > mostCounted) faults.push(`tests: ${counted} are counted in all; at most ${mostCounted} are read.`);
  if (faults.length > 0) return { faults };
  const series: RetestSeries =
    file.kind === 'chance'
      ? { kind: 'chance', series: file.tests }
      : { kind: 'rate', series: file.tests.map(({ mistakes, minutes }) => ({ mistakes, exposureMinutes: minutes })) };
  return { series, looks: file.looks ?? null };
}
