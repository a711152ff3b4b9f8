import { mostCueWords, wordsIn, type BookDrill, type BookPrinciple } from './principle.ts';

type Named = Pick<BookPrinciple, 'id' | 'name'> & { prerequisites: readonly string[] };

/** A way round from a principle back to itself over what it rests on, as ids; null where there is none. */
export function prerequisiteCircle(principles: readonly Pick<Named, 'id' | 'prerequisites'>[]): string[] | null {
  const byId = new Map(principles.map((principle) => [principle.id, principle]));
  const done = new Set<string>();
  // Depth first without recursion: a book may be deep. `path` is the way down so far.
  for (const { id: start } of principles) {
    const path: { id: string; next: number }[] = [{ id: start, next: 0 }];
    const onPath = new Set([start]);
    while (path.length > 0) {
      const here = path.at(-1)!;
      const next = done.has(here.id) ? undefined : byId.get(here.id)?.prerequisites[here.next];
      if (next === undefined) {
        done.add(here.id);
        onPath.delete(here.id);
        path.pop();
        continue;
      }
      here.next += 1;
      if (onPath.has(next)) return [...path.slice(path.findIndex(({ id }) => id === next)).map(({ id }) => id), next];
      onPath.add(next);
      path.push({ id: next, next: 0 });
    }
  }
  return null;
}

const sameName = (name: string): string => name.trim().toLocaleLowerCase();

/** Names that stand twice, as they are written the second time. */
const doubled = (named: readonly { name: string }[]): string[] =>
  named.filter(({ name }, i) => named.findIndex((other) => sameName(other.name) === sameName(name)) < i).map(({ name }) => name);

/** What is wrong with a book, in words; empty when nothing is. */
export function bookFaults(
  principles: readonly (Named & Pick<BookPrinciple, 'cue' | 'drillIds'>)[],
  drills: readonly Pick<BookDrill, 'id' | 'name'>[],
): string[] {
  const faults: string[] = [];
  const names = new Map(principles.map(({ id, name }) => [id, name]));
  const drillIds = new Set(drills.map(({ id }) => id));
  for (const { name, cue, prerequisites, drillIds: own } of principles) {
    const words = wordsIn(cue);
    if (words > mostCueWords) faults.push(`The cue of “${name}” has ${words} words; ${mostCueWords} are the most.`);
    for (const id of prerequisites) if (!names.has(id)) faults.push(`“${name}” rests on ${id}, which is not in the book.`);
    for (const id of own) if (!drillIds.has(id)) faults.push(`“${name}” names the drill ${id}, which is not in the book.`);
  }
  for (const name of doubled(principles)) faults.push(`Two principles are called “${name}”. Give one another name, or merge them.`);
  for (const name of doubled(drills)) faults.push(`Two drills are called “${name}”. Give one another name.`);
  const circle = prerequisiteCircle(principles);
  if (circle) faults.push(`These rest on one another in a circle: ${circle.map((id) => `“${names.get(id)}”`).join(' → ')}.`);
  return faults;
}
