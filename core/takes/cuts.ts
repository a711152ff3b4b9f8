import type { Seconds } from '../footage/index.ts';
import type { Take, TakeStretch } from './take.ts';

/** Cuts in order, none overlapping or touching another, within the recording; what is no stretch is left out. */
export function joinedCuts({ cuts, seconds }: Pick<Take, 'cuts' | 'seconds'>): TakeStretch[] {
  const joined: TakeStretch[] = [];
  const inside = cuts
    .map(({ from, to }) => ({ from: Math.max(0, from), to: Math.min(seconds, to) }))
    .filter(({ from, to }) => to > from)
    .sort((a, b) => a.from - b.from);
  for (const cut of inside) {
    const last = joined.at(-1);
    if (last && cut.from <= last.to) last.to = Math.max(last.to, cut.to);
    else joined.push({ ...cut });
  }
  return joined;
}

/** What is left of a stretch where others are taken out of it; these begin one after another, and may overlap. */
export function leftOf({ from, to }: TakeStretch, taken: readonly TakeStretch[]): TakeStretch[] {
  const left: TakeStretch[] = [];
  let begins = from;
  for (const one of taken) {
    if (one.to <= begins || one.from >= to) continue;
    if (one.from > begins) left.push({ from: begins, to: one.from });
    begins = one.to;
  }
  return begins < to ? [...left, { from: begins, to }] : left;
}

/** Times of a recording and of what is left of it after its cuts. */
export interface CutClock {
  /** Length of what is left, in seconds. */
  seconds: Seconds;
  cuts: readonly TakeStretch[];
  /** Where an instant of the recording is heard: t − Σ max(0, min(t, to) − from); what was cut out is where the cut is. */
  toNew: (recorded: Seconds) => Seconds;
  /** Which instant of the recording is heard then: where a cut lies, the first one after it. */
  toRecorded: (heard: Seconds) => Seconds;
}

/** The clock of a take that is played with its cuts. */
export function cutClock(take: Pick<Take, 'cuts' | 'seconds'>): CutClock {
  const cuts = joinedCuts(take);
  const toNew = (t: Seconds): Seconds => cuts.reduce((left, { from, to }) => left - Math.max(0, Math.min(t, to) - from), t);
  return {
    seconds: toNew(take.seconds),
    cuts,
    toNew,
    toRecorded: (heard) => cuts.reduce((t, { from, to }) => (t >= from ? t + (to - from) : t), heard),
  };
}
