import { athletes } from '../athlete.ts';
import { attemptOutcomes, attemptTechniques, type TimedEvent } from '../boutEvent.ts';
import { isNeutral, positionCodes, type Holder, type PositionCode } from '../../positions/index.ts';
import type { TimedBout } from '../timedBout.ts';
import { boutOf, type Leg } from './boutOf.ts';
import { pick, seeded } from './random.ts';

/** Positions that matter to the score come more often than the rest. */
const usual: readonly PositionCode[] = [
  'standing',
  'clinch',
  'half-guard',
  'closed-guard',
  'side-control',
  'knee-on-belly',
  'mount',
  'three-quarter-mount',
  'turtle',
  'back-control',
  'back-mount',
];

/** What one goes through on the way to something else. */
const ways: readonly PositionCode[] = ['scramble', 'fifty-fifty', 'leg-entanglement', 'front-headlock', 'both-seated'];

/** Sums of tenths are not tenths. */
const whole = (seconds: number): number => Math.round(seconds * 10) / 10;

const holderOf = (position: PositionCode, random: () => number): Holder => (isNeutral(position) ? null : pick(random, athletes));

/** A bout of a seed: up to a minute and a half, all times whole tenths of a second, with stoppages, penalties, and at times a finish. */
export function randomBout(seed: number): TimedBout {
  const random = seeded(seed);
  const tenths = (most: number): number => Math.floor(random() * most * 10) / 10;
  let stays: Holder = pick(random, athletes);
  const legs = Array.from({ length: 3 + Math.floor(random() * 25) }, (): Leg => {
    const position = random() < 0.75 ? pick(random, usual) : random() < 0.6 ? pick(random, ways) : pick(random, positionCodes);
    // Control tends to stay with one athlete for a while, or no sequence would ever come about.
    if (random() < 0.25) stays = pick(random, athletes);
    const holder = isNeutral(position) ? null : stays;
    return [position, holder, pick(random, [0.4, 1, 1, 1.5, 1.9, 2, 2.9, 3, 3.1, 4, 6, 11])];
  });
  const { lengthSeconds } = boutOf(legs);
  const happens = (share: number): boolean => random() < share;
  const events: TimedEvent[] = [];
  for (let i = Math.floor(random() * 6); i > 0; i--)
    events.push({
      kind: 'attempt',
      athlete: pick(random, athletes),
      technique: pick(random, attemptTechniques),
      outcome: pick(random, attemptOutcomes),
      close: happens(0.5),
      at: tenths(lengthSeconds),
    });
  for (let i = Math.floor(random() * 3); i > 0; i--)
    events.push({ kind: 'guard-pull', athlete: pick(random, athletes), gripped: happens(0.3), at: tenths(lengthSeconds) });
  for (let i = Math.floor(random() * 5); i > 0; i--)
    events.push({ kind: 'penalty', athlete: pick(random, athletes), at: tenths(lengthSeconds) });
  let after = 0;
  while (happens(0.4)) {
    const stoppage = whole(after + 0.1 + tenths(lengthSeconds / 2));
    const restart = whole(stoppage + 0.1 + tenths(8));
    if (restart >= whole(lengthSeconds)) break;
    const position = pick(random, usual);
    const named = happens(0.6) ? { position, holder: holderOf(position, random) } : {};
    events.push({ kind: 'stoppage', at: stoppage }, { kind: 'restart', at: restart, ...named });
    after = restart;
  }
  if (happens(0.15)) events.push({ kind: 'finish', athlete: pick(random, athletes), technique: 'choke', at: tenths(lengthSeconds) });
  return boutOf(legs, events, happens(0.3) ? 60 : null);
}
