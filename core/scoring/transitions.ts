import { boutClock } from './boutClock.ts';
import { playedStretches, type PlayedStretch } from './playedStretches.ts';
import type { TimedBout } from './timedBout.ts';

export type Place = Pick<PlayedStretch, 'position' | 'holder'>;

/** One position that was followed by another, and each time it was; `at` is on the footage clock of its bout. */
export interface Transition {
  from: Place;
  to: Place;
  instances: { bout: number; at: number }[];
}

const keyOf = ({ position, holder }: Place): string => `${position} ${holder}`;

/** What followed what over bouts, most often first. What the referee or a tap put in place is nobody's transition. */
export function transitionsOf(bouts: readonly TimedBout[]): Transition[] {
  const found = new Map<string, Transition>();
  bouts.forEach((timed, bout) => {
    const clock = boutClock(timed);
    const stretches = playedStretches(timed.spans, clock);
    stretches.forEach((to, i) => {
      const from = stretches[i - 1];
      if (!from || to.begun !== 'play') return;
      const key = `${keyOf(from)} ${keyOf(to)}`;
      const one = found.get(key) ?? {
        from: { position: from.position, holder: from.holder },
        to: { position: to.position, holder: to.holder },
        instances: [],
      };
      one.instances.push({ bout, at: clock.footageAt(to.from) });
      found.set(key, one);
    });
  });
  return [...found.values()].sort((a, b) => b.instances.length - a.instances.length);
}
