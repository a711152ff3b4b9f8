import type { BookPrinciple } from '../book/index.ts';
import { addStats, boutStats, clockSlack } from '../scoring/index.ts';
import { exposureMinutes } from './exposure.ts';
import { ownHarms, unexplained, type HarmBout, type OwnHarm } from './ownHarm.ts';
import type { RankInput } from './rankFixes.ts';
import type { RequestEvent } from './requestEvents.ts';
import type { RequestNote } from './requestNote.ts';

export interface RankedRequest {
  client: RankInput['client'];
  principles: readonly BookPrinciple[];
  notes: readonly RequestNote[];
  events: readonly RequestEvent[];
  /** Null where nothing is coded of a bout. */
  bouts: readonly (HarmBout | null)[];
  /** Length of all bouts or footage, for where nothing is coded. */
  minutes: number;
  history: RankInput['history'];
}

/** What a note stands for on the ladder: its principle; of one that names none, the note itself. */
export const candidateOf = ({ id, principleId }: Pick<RequestNote, 'id' | 'principleId'>): string => principleId ?? id;

/**
 * Everything that fixes of a request are ranked from (docs/domain.md §6), put together from its notes, its coded bouts and the book; beside
 * it what each note's and each linked event's harm is made of, and what was conceded without a note.
 */
export function rankInputOf({ client, principles, notes, events, bouts, minutes, history }: RankedRequest): {
  input: RankInput;
  harms: Record<string, OwnHarm>;
  unexplained: { bout: number; at: number; points: number; finish: boolean }[];
} {
  const harms = new Map<string, OwnHarm>();
  const lost: { bout: number; at: number; points: number; finish: boolean }[] = [];
  const instants = new Map([...notes, ...events].map((one) => [one.id, one.requestSeconds]));
  /** Links whose both ends are here and which run forward: a coding that was put right since may have turned one round. */
  const forward = (one: RequestNote | RequestEvent): string[] =>
    one.causes.filter((id) => (instants.get(id) ?? Infinity) <= one.requestSeconds + clockSlack);
  // What no longer follows from a note leaves its harm with the notes before it.
  const follows = events.map((event) => ({ ...event, causes: forward(event) }));
  const inBout = (index: number | null): RequestNote[] => notes.filter(({ bout }) => bout === index);
  for (const [id, harm] of ownHarms(inBout(null), null)) harms.set(id, harm);
  bouts.forEach((bout, index) => {
    const own = inBout(index);
    const linked = follows.filter((event) => event.bout === index);
    for (const [id, harm] of ownHarms(own, bout, linked)) harms.set(id, harm);
    if (bout) lost.push(...unexplained(own, bout, linked).map((one) => ({ bout: index, ...one })));
  });
  const unnamed = notes.filter(({ principleId, kind, athlete }) => principleId === null && athlete === 'client' && kind !== 'good');
  const coded = bouts.filter((bout) => bout !== null);
  const stats = coded.length > 0 ? addStats(coded.map(({ timed, score }) => boutStats(timed, score))) : null;
  const allMinutes = stats ? stats.clockSeconds / 60 : minutes;
  const named = new Set(notes.flatMap(({ principleId }) => principleId ?? []));
  const input: RankInput = {
    client,
    principles: [
      ...principles.map(({ id, level, prerequisites }) => ({ id, level, prerequisites })),
      ...unnamed.map(({ id }) => ({ id, level: client.level, prerequisites: [] })),
    ],
    notes: notes.map((note) => ({
      id: note.id,
      // What the partner did wrong is nobody's fix; its harm still goes along the chain.
      principle: note.athlete === 'client' ? candidateOf(note) : null,
      kind: note.kind,
      seen: note.seen,
      ownHarm: harms.get(note.id)!.harm,
      causes: forward(note),
      atSeconds: note.requestSeconds,
      ...(note.kind === 'caution' && note.athlete === 'client' && { safety: true }),
    })),
    events: follows.map(({ id, causes, requestSeconds }) => ({ id, ownHarm: harms.get(id)!.harm, causes, atSeconds: requestSeconds })),
    exposureMinutes: Object.fromEntries(
      principles
        .filter(({ id }) => named.has(id))
        .map((principle) => [principle.id, exposureMinutes(principle, stats?.time ?? [], allMinutes)]),
    ),
    boutMinutes: allMinutes,
    history,
  };
  return { input, harms: Object.fromEntries(harms), unexplained: lost };
}
