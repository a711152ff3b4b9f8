import { clockText } from '../footage/index.ts';
import { athletes, type Athlete } from './athlete.ts';
import type { BoutSeconds } from '../footage/index.ts';
import { clockSlack } from './clockSlack.ts';
import { legalityOf } from './legality.ts';
import type { RuleSheet } from './ruleSheet.ts';
import type { TimedBout } from './timedBout.ts';
import type { BoutClock } from './boutClock.ts';
import type { PlayedStretch } from './playedStretches.ts';
import { isGroundControl, isOnTop, positionName } from '../positions/index.ts';
import { sideNames } from './placeWords.ts';
import type { ReadAction } from './readActions.ts';
import type { Doubt } from './score.ts';
import { fromStanding, isWayThrough } from './waysThrough.ts';

/**
 * Where somebody came to be on top who was not, and no action was read that says how: neither given nor refused, it is the coach's to
 * answer (docs/domain.md §3, doubt). What the bout or a restart began in needs no answer.
 */
export function unexplainedTops(stretches: readonly PlayedStretch[], actions: readonly ReadAction[], clock: BoutClock): Doubt[] {
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
      doubts.push({ kind: 'unexplained', athlete: holder, at: clock.footageAt(from), words });
    }
    if (isGroundControl(position)) onTop = holder;
    else if (fromStanding.has(position)) onTop = null;
  });
  return doubts;
}

const unknownPerson = { age: null, level: null };

/** Finishes by what the sheet forbids to one of these two, by age or level (docs/domain.md §3, doubt). */
export function forbiddenFinishes({ events, people }: TimedBout, sheet: RuleSheet, until: BoutSeconds): Doubt[] {
  return events.flatMap((event): Doubt[] => {
    if (event.kind !== 'finish' || event.at > until + clockSlack) return [];
    const called = (event.name ?? event.technique).trim();
    if (called === '') return [];
    const against = athletes.map((athlete) => legalityOf(sheet, called, people?.[athlete] ?? unknownPerson));
    const forbidden = against.find(({ verdict }) => verdict === 'forbidden');
    return forbidden
      ? [
          {
            kind: 'forbidden',
            athlete: event.athlete,
            at: event.at,
            words: `${sideNames[event.athlete]} finished by ${called}: ${forbidden.words}`,
          },
        ]
      : [];
  });
}
