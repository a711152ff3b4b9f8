import type { BoutSeconds } from '../footage/index.ts';
import type { Athlete } from './athlete.ts';
import { calledBy } from './threats.ts';
import type { TimedBout } from './timedBout.ts';

/** One attack at a finish, however it was coded: as a threat, as an attempt, as the finish itself, or as several of these. */
export interface Attack {
  athlete: Athlete;
  /** Null: nobody said what it was. */
  name: string | null;
  at: BoutSeconds;
  end: BoutSeconds;
  outcome: 'finished' | 'caught' | 'failed';
}

/** An event is coded a little before or after its attack, in seconds. */
const leeway = 1.5;

/** Every attack at a finish once: what was coded of it more than once is put together. */
export function attacksOf({ threats = [], events }: Pick<TimedBout, 'threats' | 'events'>): Attack[] {
  const attacks = threats.map(({ athlete, name, from, to, ended }): Attack => ({
    ...{ athlete, name: calledBy(name), at: from, end: to },
    outcome: ended === 'tap' ? 'finished' : ended === 'let go' ? 'caught' : 'failed',
  }));
  const sorted = [...events].sort((a, b) => a.at - b.at);
  for (const event of sorted) {
    const isTry = event.kind === 'attempt' && event.technique === 'finish';
    if (!isTry && event.kind !== 'finish' && event.kind !== 'catch-and-release') continue;
    const outcome =
      event.kind === 'finish'
        ? 'finished'
        : event.kind === 'catch-and-release'
          ? 'caught'
          : event.outcome === 'success'
            ? 'finished'
            : 'failed';
    const called = event.name ?? (event.kind === 'attempt' ? '' : event.technique);
    const name = called.trim() === '' ? null : calledBy(called);
    const same = attacks.find(
      (one) =>
        one.athlete === event.athlete &&
        (one.name === null || name === null || one.name === name) &&
        event.at >= one.at - leeway &&
        event.at <= one.end + leeway,
    );
    if (!same) attacks.push({ athlete: event.athlete, name, at: event.at, end: event.at, outcome });
    else {
      same.name ??= name;
      if (same.outcome === 'failed') same.outcome = outcome;
      same.end = Math.max(same.end, event.at);
    }
  }
  return attacks.sort((a, b) => a.at - b.at);
}
