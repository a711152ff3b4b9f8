import { clockText } from '../footage/index.ts';
import type { Athlete } from './athlete.ts';
import type { BoutClock } from './boutClock.ts';
import type { PlayedStretch } from './playedStretches.ts';
import { isGroundControl, isOnTop, positionName } from './position.ts';
import { sideNames } from './placeWords.ts';
import type { ReadAction } from './readActions.ts';
import type { Doubt } from './score.ts';
import { fromStanding, isWayThrough } from './waysThrough.ts';

/**
 * Where somebody came to be on top who was not, and no action was read that says how: neither given nor refused, it is the coach's to
 * answer (docs/domain.md §3, doubt). What the bout or a restart began in needs no answer.
 */
export function doubtsOf(stretches: readonly PlayedStretch[], actions: readonly ReadAction[], clock: BoutClock): Doubt[] {
  const doubts: Doubt[] = [];
  const explained = { client: new Set<number>(), partner: new Set<number>() };
  for (const { athlete, reached } of actions) explained[athlete].add(reached);
  let onTop: Athlete | null = null;
  stretches.forEach(({ position, holder, from, begun }, i) => {
    if (begun === 'start') onTop = null;
    if (isWayThrough(position)) return;
    const came = holder !== null && isOnTop(position) && holder !== onTop && begun === 'play' && i > 0;
    if (came && !explained[holder].has(from)) {
      const out = stretches[i - 1]!;
      const words = `${sideNames[holder]} came up on top, ${positionName(position).toLowerCase()}, at ${clockText(from)} out of ${positionName(out.position).toLowerCase()}: was it anything?`;
      doubts.push({ athlete: holder, at: clock.footageAt(from), words });
    }
    if (isGroundControl(position)) onTop = holder;
    else if (fromStanding.has(position)) onTop = null;
  });
  return doubts;
}
