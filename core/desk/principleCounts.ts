interface Instance {
  id: string;
  principleId: string | null;
}
interface EarlierInstance extends Instance {
  requestId: string;
  /** Set where it was sent as a fix. */
  fix: { position: number; sentAt: string } | null;
}

/**
 * How often a principle came up: in the bout, in the request, and in the client's earlier requests, with the fixes it was, newest first.
 */
export function principleCounts<Here extends Instance, Earlier extends EarlierInstance>(
  principleId: string,
  { notes, inBout, earlier }: { notes: readonly Here[]; inBout: (note: Here) => boolean; earlier: readonly Earlier[] },
) {
  const inRequest = notes.filter((note) => note.principleId === principleId);
  const before = earlier.filter((note) => note.principleId === principleId);
  const fixes = before.flatMap(({ fix }) => fix ?? []).sort((a, b) => b.sentAt.localeCompare(a.sentAt));
  return { here: inRequest.filter(inBout), inRequest, before, requests: new Set(before.map((note) => note.requestId)).size, fixes };
}
