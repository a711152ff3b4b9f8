interface Resting {
  id: string;
  prerequisites: readonly string[];
}

/** Everything a principle rests on, directly or through others. */
export function restsOn(id: string, byId: ReadonlyMap<string, Pick<Resting, 'prerequisites'>>): Set<string> {
  const found = new Set(byId.get(id)?.prerequisites ?? []);
  for (const one of found) for (const deeper of byId.get(one)?.prerequisites ?? []) found.add(deeper);
  found.delete(id);
  return found;
}

/** What rests directly on a principle. */
export const buildsOn = <P extends Resting>(id: string, principles: readonly P[]): P[] =>
  principles.filter(({ prerequisites }) => prerequisites.includes(id));
