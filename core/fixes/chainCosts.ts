/** Something that did harm: a note or an event. */
export interface Link {
  id: string;
  /** In units where a conceded finish is 1 (docs/domain.md §5). */
  ownHarm: number;
  /** Ids of what it was caused by. */
  causes: readonly string[];
  atSeconds: number;
}

/** What share of a total goes back to its causes (default), and in the school that believes in the deciding moment. */
export const carriedShare = 0.6;
export const decidingShare = 1;

/** What is wrong with links, in words: unknown or doubled ids, links that run backward, circles. Empty when nothing is. */
export function linkFaults(links: readonly Link[]): string[] {
  const faults: string[] = [];
  const byId = new Map<string, Link>();
  for (const link of links) {
    if (byId.has(link.id)) faults.push(`“${link.id}” stands for two things.`);
    byId.set(link.id, link);
  }
  for (const { id, causes, atSeconds } of links)
    for (const causeId of causes) {
      const cause = byId.get(causeId);
      if (!cause) faults.push(`“${id}” names the cause “${causeId}”, which is not there.`);
      else if (cause.atSeconds > atSeconds)
        faults.push(`“${id}” at ${atSeconds} s is said to be caused by “${causeId}”, which comes later, at ${cause.atSeconds} s.`);
    }
  if (faults.length === 0) {
    const circle = latestFirst(links).length < links.length;
    if (circle) faults.push('Some causes form a circle: nothing is, through others, its own cause.');
  }
  return faults;
}

/** Each after everything that it led to; what lies on a circle is left out. */
function latestFirst(links: readonly Link[]): Link[] {
  const byId = new Map(links.map((link) => [link.id, link]));
  const effects = new Map(links.map(({ id }) => [id, 0]));
  for (const { causes } of links) for (const id of new Set(causes)) effects.set(id, (effects.get(id) ?? 0) + 1);
  const ready = links.filter(({ id }) => effects.get(id) === 0);
  for (const { causes } of ready)
    for (const id of new Set(causes)) {
      effects.set(id, effects.get(id)! - 1);
      const cause = byId.get(id);
      if (cause && effects.get(id) === 0) ready.push(cause);
    }
  return ready;
}

/**
 * Cost of each: its own harm and what its effects carry back to it (docs/domain.md §5). From the latest effect back, total = own +
 * received,
 * and each of the m causes of x receives share × total(x) ÷ m. Worked example: a finish (1) caused by a note caused by a note gives,
 * at 0.6, costs of 0.6 and 0.36. The links must have no faults.
 */
export function chainCosts(links: readonly Link[], share = carriedShare): Map<string, number> {
  const costs = new Map(links.map(({ id, ownHarm }) => [id, ownHarm]));
  for (const { id, causes } of latestFirst(links)) {
    const each = new Set(causes);
    for (const cause of each) costs.set(cause, costs.get(cause)! + (share * costs.get(id)!) / each.size);
  }
  return costs;
}
