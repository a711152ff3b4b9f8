import type { BoutSeconds } from '../footage/index.ts';
import { leanOfSpan, type Holder, type PositionCode, type PositionValues } from '../positions/index.ts';
import { boutClock } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import { calledBy } from './threats.ts';
import { placeWords, type Names } from './placeWords.ts';
import type { TimedBout } from './timedBout.ts';

/** Where one was: a position with who holds it, and, if it is asked for, what it is called. */
export interface EntryPlace {
  position: PositionCode;
  holder: Holder;
  name: string | null;
}

/** One time that two came into a place. */
export interface Entry {
  /** Index of its bout; and of the first of its spans. */
  bout: number;
  span: number;
  from: BoutSeconds;
  to: BoutSeconds;
  /** In which half of the time that was played. */
  half: 'first' | 'second';
  /** How it ended for the client: change of lean to what came next, −200 … 200; null where the bout or its fall ended with it. */
  change: number | null;
  /** Who finished, where a tap ended it. */
  tap: 'client' | 'partner' | null;
  /** What came next, in words. */
  ended: string;
}

/** Stretches that were parted to say more of them are one stay. */
const isPlace = (span: TimedBout['spans'][number], { position, holder, name }: EntryPlace): boolean =>
  span.position === position && span.holder === holder && (name === null || (span.name !== undefined && calledBy(span.name) === name));

/**
 * Every time that two came into a place over bouts, in the order of the bouts and of time (docs/domain.md §8). What is asked for by name is
 * only what was called so.
 */
export function entriesInto(bouts: readonly TimedBout[], place: EntryPlace, names: Names, values?: PositionValues): Entry[] {
  return bouts.flatMap((bout, index) => {
    const { spans, events } = bout;
    const clock = boutClock(bout);
    const found: Entry[] = [];
    for (let i = 0; i < spans.length; i++) {
      if (!isPlace(spans[i]!, place)) continue;
      let last = i;
      while (last + 1 < spans.length && isPlace(spans[last + 1]!, place)) last += 1;
      const [from, to] = [spans[i]!.from, spans[last]!.to];
      const next = spans[last + 1];
      const tap = events.find((event) => event.kind === 'finish' && event.at > from + clockSlack && event.at <= to + clockSlack);
      const athlete = tap?.kind === 'finish' ? tap.athlete : null;
      found.push({
        ...{ bout: index, span: i, from, to, tap: athlete },
        half: clock.at(from) < clock.total / 2 ? 'first' : 'second',
        change: athlete !== null || !next ? null : leanOfSpan(next, values) - leanOfSpan(spans[i]!, values),
        ended: athlete !== null ? `a tap by ${names[athlete].toLowerCase()}` : next ? placeWords(next, names) : 'the end of the bout',
      });
      i = last;
    }
    return found;
  });
}

/** How well an entry ended for the client, worst first: a tap against them, then by the change of lean, a tap of theirs last. */
const worth = ({ tap, change }: Entry): number => (tap === 'partner' ? -1000 : tap === 'client' ? 1000 : (change ?? 0));

/** Sorted by how they ended, the worst for the client first. */
export const byHowItEnded = (entries: readonly Entry[]): Entry[] =>
  entries
    .map((entry, i) => ({ entry, i }))
    .sort((a, b) => worth(a.entry) - worth(b.entry) || a.i - b.i)
    .map(({ entry }) => entry);

/** How often entries ended better than they began for the client: of those that ended in something else. */
export function endedBetter(entries: readonly Entry[]): { better: number; of: number } {
  const told = entries.filter(({ tap, change }) => tap !== null || change !== null);
  return { better: told.filter((entry) => worth(entry) > 0).length, of: told.length };
}
