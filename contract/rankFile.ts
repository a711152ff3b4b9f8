import { restsOn } from '@lean-mentor/core/book';
import { linkFaults, schoolNamed, schoolNames, schools, type RankInput, type School, type SchoolName } from '@lean-mentor/core/fixes';
import { z } from 'zod';
import { schemaFault } from './schemaFault.ts';

const name = z.string().min(1).max(200);
const link = {
  id: name,
  ownHarm: z.number().min(0).max(100),
  causes: z.array(name).max(50).default([]),
  atSeconds: z.number().min(0).max(86_400),
};

/** What fixes are ranked from (format lean-mentor/rank@1). Principles are named by any id; levels run from 1 (first) to 5. */
export const rankFile = z.looseObject({
  format: z.literal('lean-mentor/rank@1'),
  school: z.string().default('balanced'),
  client: z.looseObject({
    level: z.int().min(1).max(10),
    asked: z.array(name).default([]),
    gamePlan: z.array(name).default([]),
  }),
  principles: z.array(z.looseObject({ id: name, level: z.int().min(1).max(10), prerequisites: z.array(name).default([]) })).max(5000),
  notes: z
    .array(
      z.looseObject({
        ...link,
        principle: name.nullable().default(null),
        kind: z.enum(['mistake', 'missed-chance', 'good', 'question', 'caution']),
        seen: z.enum(['clear', 'likely', 'hidden']).default('clear'),
        safety: z.boolean().optional(),
      }),
    )
    .max(5000),
  events: z.array(z.looseObject(link)).max(5000).default([]),
  exposureMinutes: z.record(name, z.number().min(0)).default({}),
  boutMinutes: z.number().min(0).max(1440),
  /** Principles of each past request, latest first. */
  history: z.array(z.array(name)).max(500).default([]),
});
export type RankFile = z.infer<typeof rankFile>;

export type ReadRank = { input: RankInput; school: School; schoolName: SchoolName } | { faults: string[] };

/** Reads a rank file that was parsed from JSON, by its own school or another. Every fault is told with its place. */
export function readRankFile(json: unknown, otherSchool?: string): ReadRank {
  const parsed = rankFile.safeParse(json);
  if (!parsed.success) return { faults: parsed.error.issues.flatMap((issue) => schemaFault(json, issue)) };
  const file = parsed.data;
  const faults: string[] = [];
  const wanted = otherSchool ?? file.school;
  const schoolName = schoolNamed(wanted);
  if (!schoolName) faults.push(`school "${wanted}" is not known; one of ${schoolNames.join(', ')}.`);
  const ids = new Set<string>();
  file.principles.forEach(({ id }, i) => {
    if (ids.has(id)) faults.push(`principles[${i}].id "${id}" stands for two principles.`);
    ids.add(id);
  });
  file.principles.forEach(({ prerequisites }, i) =>
    prerequisites.forEach((id, j) => {
      if (!ids.has(id)) faults.push(`principles[${i}].prerequisites[${j}] "${id}" is not among the principles.`);
    }),
  );
  file.notes.forEach(({ principle }, i) => {
    if (principle !== null && !ids.has(principle)) faults.push(`notes[${i}].principle "${principle}" is not among the principles.`);
  });
  faults.push(...prerequisiteCircles(file.principles), ...linkFaults([...file.notes, ...file.events]).map((fault) => `causes: ${fault}`));
  if (faults.length > 0 || !schoolName) return { faults };
  const { client, principles, notes, events, exposureMinutes, boutMinutes, history } = file;
  const plainNotes = notes.map(({ safety, ...note }) => ({ ...note, ...(safety !== undefined && { safety }) }));
  return {
    input: { client, principles, notes: plainNotes, events, exposureMinutes, boutMinutes, history },
    school: schools[schoolName],
    schoolName,
  };
}

/** Principles that, through others, come before themselves. */
function prerequisiteCircles(principles: RankFile['principles']): string[] {
  const byId = new Map(principles.map((principle) => [principle.id, principle]));
  return principles.flatMap(({ id, prerequisites }, i) =>
    prerequisites.some((before) => before === id || restsOn(before, byId).has(id))
      ? [`principles[${i}].prerequisites: “${id}” would come before itself.`]
      : [],
  );
}
