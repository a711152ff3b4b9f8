import { orderPolicies, reviewKinds, type PastReview, type ScheduleInput } from '@lean-mentor/core/queue';
import { z } from 'zod';
import { schemaFault } from './schemaFault.ts';
import { workingWindows, zone } from './workingHours.ts';

const name = z.string().min(1).max(200);
const at = z.iso.datetime({ offset: true });
const minutes = z.number().positive().max(100_000);
const kind = z.enum(reviewKinds);

/** Requests that wait and the hours in which they can be answered (format lean-mentor/schedule@1). */
export const scheduleFile = z.looseObject({
  format: z.literal('lean-mentor/schedule@1'),
  nowAt: at,
  zone,
  windows: z.looseObject(workingWindows),
  policy: z.enum(orderPolicies).default('due-first'),
  seed: z.int().min(0).max(2_147_483_647).default(1),
  runs: z.int().min(1).max(20_000).default(2000),
  requests: z
    .array(
      z.looseObject({
        id: name,
        client: name,
        readyAt: at,
        dueAt: at,
        planRank: z.int().min(1).max(1000).default(1),
        weight: z.number().min(0).max(1_000_000).default(1),
        kind,
        boutMinutes: minutes,
        spoken: z.boolean().default(false),
        /** Known; otherwise estimated from `past`. */
        deskMinutes: minutes.optional(),
        /** Put at this place of the order by hand, 0 first. */
        place: z.int().min(0).max(1000).optional(),
      }),
    )
    .max(1000),
  past: z
    .array(z.looseObject({ kind, boutMinutes: minutes, deskMinutes: minutes, spoken: z.boolean().default(false) }))
    .max(10_000)
    .default([]),
});

/** A schedule file read: what core computes from, and the policy asked for. */
export interface ReadSchedule {
  input: Omit<ScheduleInput, 'deskTime'>;
  past: PastReview[];
  policy: (typeof orderPolicies)[number];
}

/** Reads a schedule file that was parsed from JSON. Every fault is told with its place. */
export function readScheduleFile(json: unknown): ReadSchedule | { faults: string[] } {
  const parsed = scheduleFile.safeParse(json);
  if (!parsed.success) return { faults: parsed.error.issues.flatMap((issue) => schemaFault(json, issue)) };
  const { nowAt, zone: inZone, windows, policy, seed, runs, requests, past } = parsed.data;
  const ids = new Set<string>();
  const faults = requests.flatMap(({ id }, i) =>
    ids.has(id) ? [`requests[${i}].id "${id}" stands for two requests.`] : (ids.add(id), []),
  );
  if (requests.length > 0 && windows.weekly.length === 0 && !windows.exceptions.some((e) => 'from' in e))
    faults.push('windows: there are no working hours, so nothing can be laid out. Write at least one under “weekly”.');
  if (faults.length > 0) return { faults };
  const reviews = requests.map(({ readyAt, dueAt, deskMinutes, place, ...rest }) => ({
    ...rest,
    readyAt: Date.parse(readyAt),
    dueAt: Date.parse(dueAt),
    ...(deskMinutes !== undefined && { deskMinutes }),
    ...(place !== undefined && { place }),
  }));
  return {
    input: {
      reviews,
      hours: { zone: inZone, weekly: windows.weekly, exceptions: windows.exceptions },
      nowAt: Date.parse(nowAt),
      seed,
      runs,
    },
    past,
    policy,
  };
}
