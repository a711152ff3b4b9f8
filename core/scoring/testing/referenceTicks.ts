import type { TimedBout } from '../timedBout.ts';

/** A tenth of a second in which the clock runs. */
export interface Tick {
  position: string;
  holder: string | null;
  /** The first tick after a restart. */
  fresh: boolean;
  /** The first tick of a fall: what was before it was before a tap. */
  newFall: boolean;
  /** Tenth of the footage clock. */
  footage: number;
}

type Finish = Extract<TimedBout['events'][number], { kind: 'finish' }>;

export interface Ticks {
  ticks: Tick[];
  /** When the clock began to run again, in tenths of the footage clock. */
  openings: number[];
  /** Each finish that closed a fall, and when that fall had begun. */
  falls: { from: number; finish: Finish }[];
  /** Of each tick, the one at which its run of the same position and holder began. */
  began: number[];
  /** Of each tenth of the footage clock, the first tick in it or after it. */
  clock: number[];
}

export const tenth = (seconds: number): number => Math.round(seconds * 10);

/**
 * Walks a bout tenth by tenth. A stoppage stops the clock, a restart lets it run. Where the two start again after a finish, a finish stops
 * it too, until a restart, if that is the next thing the clock hears of, or else until a position begins; a stoppage meanwhile keeps it
 * standing to the restart.
 */
export function ticksOf(bout: TimedBout): Ticks {
  const ticks: Tick[] = [];
  const openings: number[] = [];
  const falls: Ticks['falls'] = [];
  const again = bout.afterFinish === 'restarts';
  const order = bout.events.filter(({ kind }) => kind === 'stoppage' || kind === 'restart' || (again && kind === 'finish'));
  const inTime = [...order].sort((a, b) => a.at - b.at);
  let stopped = false;
  let stoppedAt = 0;
  let byReferee = false;
  let tappedAt: number | null = null;
  let fallFrom = 0;
  let named: { position: string; holder: string | null; from: number } | null = null;
  let [fresh, newFall] = [false, false];
  const open = (t: number): void => {
    openings.push(t);
    if (tappedAt !== null) [newFall, fallFrom] = [true, t];
    [stopped, byReferee, tappedAt] = [false, false, null];
  };
  let coded = -1;
  const length = tenth(bout.lengthSeconds);
  for (let t = 0; t < length; t++) {
    const here = bout.spans[coded];
    if (!here || tenth(here.from) > t || t >= tenth(here.to))
      coded = bout.spans.findIndex((span) => tenth(span.from) <= t && t < tenth(span.to));
    for (let i = 0; i < inTime.length; i++) {
      const event = inTime[i]!;
      if (tenth(event.at) !== t) continue;
      if (event.kind === 'finish') {
        if (!stopped) stoppedAt = t;
        stopped = true;
        if (tappedAt === null) {
          falls.push({ from: fallFrom, finish: event });
          tappedAt = t;
        }
        if (inTime[i + 1]?.kind === 'restart') byReferee = true;
      }
      if (event.kind === 'stoppage') {
        if (!stopped) stoppedAt = t;
        stopped = true;
        byReferee = true;
      }
      if (event.kind === 'restart' && stopped) {
        open(t);
        fresh = true;
        // What was coded since the stop stands.
        const runsThrough = coded >= 0 && tenth(bout.spans[coded]!.from) < stoppedAt;
        named = event.position && runsThrough ? { position: event.position, holder: event.holder ?? null, from: coded } : null;
      }
    }
    if (stopped && !byReferee && tappedAt !== null && bout.spans.some(({ from }) => tenth(from) >= tappedAt! && tenth(from) <= t)) {
      open(t);
      named = null;
    }
    if (stopped) continue;
    if (named && named.from !== coded) named = null;
    const { position, holder } = named ?? bout.spans[coded]!;
    ticks.push({ position, holder, fresh, newFall, footage: t });
    [fresh, newFall] = [false, false];
  }
  // What happens on the very end closes the last fall.
  for (const event of inTime)
    if (event.kind === 'finish' && tenth(event.at) === tenth(bout.lengthSeconds) && tappedAt === null) {
      falls.push({ from: fallFrom, finish: event });
      tappedAt = tenth(event.at);
    }
  const began: number[] = [];
  const clock: number[] = [];
  ticks.forEach((tick, k) => {
    const last = ticks[k - 1];
    const goesOn = last && !tick.newFall && last.position === tick.position && last.holder === tick.holder;
    began.push(goesOn ? began[k - 1]! : k);
    while (clock.length <= tick.footage) clock.push(k);
  });
  return { ticks, openings, falls, began, clock };
}
