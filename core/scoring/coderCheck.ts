import { clockText } from '../footage/index.ts';
import { boutClock } from './boutClock.ts';
import { clockSlack } from './clockSlack.ts';
import { playedStretches } from './playedStretches.ts';
import { positionFamily, positionName, type PositionCode } from '../positions/index.ts';
import type { TimedBout } from './timedBout.ts';

/** Something about a coding that is worth a second look. `at` is on the footage clock, seconds since the bout's start. */
export interface CodingDoubt {
  kind: 'gap' | 'impossible' | 'short' | 'after-finish' | 'no-restart' | 'pull';
  at: number;
  words: string;
}

/** A position held for less than this, in seconds, is more often a slip of the key than a position. */
export const shortestHold = 0.5;

const onFeet: ReadonlySet<PositionCode> = new Set(['standing', 'clinch', 'rear-clinch']);
const flat: ReadonlySet<PositionCode> = new Set([
  ...(['mount', 'three-quarter-mount', 'back-mount', 'back-control', 'crucifix', 'side-control', 'north-south', 'head-and-arm'] as const),
]);

/** Why one position cannot be followed by another from one frame to the next, or null. A throw may land in any pin. */
function impossibleChange(
  from: { position: PositionCode; holder: unknown },
  to: { position: PositionCode; holder: unknown },
): string | null {
  if (flat.has(from.position) && onFeet.has(to.position)) return 'nobody stands up from there in one frame';
  if (
    positionFamily(from.position) === 'pin' &&
    positionFamily(to.position) === 'pin' &&
    from.holder !== to.holder &&
    from.position !== 'turtle'
  )
    return 'a pin does not become the other’s pin in one frame';
  return null;
}

/** A finish is coded a little before its position ends: letting go takes a moment, in seconds. */
const lettingGo = 3;

/** Finishes after which something goes on that they ended: the bout, or, where it starts again, the position they were in. */
function finishDoubts({ events, spans, afterFinish }: TimedBout, text: (at: number) => string): CodingDoubt[] {
  const finishes = events.filter(({ kind }) => kind === 'finish').sort((a, b) => a.at - b.at);
  const last = spans.at(-1);
  return finishes.flatMap(({ at }, i): CodingDoubt[] => {
    const say = (words: string): CodingDoubt[] => [{ kind: 'after-finish', at, words: `The finish at ${text(at)} ${words}.` }];
    if (afterFinish === 'restarts') {
      const next = spans.find(({ from }) => from >= at - clockSlack);
      const again = finishes[i + 1];
      return again && again.at < (next?.from ?? Infinity) - clockSlack ? say('is followed by another before a new position begins') : [];
    }
    if (!last) return [];
    if (i > 0) return say('comes after a finish that ended the bout');
    if (spans.some(({ from }) => from > at + clockSlack)) return say('is not the end: positions are coded after it');
    return last.to - at > lettingGo ? say(`is not the end: the last position goes on for ${(last.to - at).toFixed(1)} s`) : [];
  });
}

/** What a coder should look at again (gaps, impossible changes, very short holds, a finish that is not the end), in the order of time. */
export function coderCheck(bout: TimedBout): CodingDoubt[] {
  const doubts: CodingDoubt[] = [];
  const clock = boutClock(bout);
  const doubt = (kind: CodingDoubt['kind'], at: number, words: string): void => void doubts.push({ kind, at, words });
  const text = (at: number): string => clockText(clock.at(at));
  const gap = (from: number, to: number): void => {
    if (to - from > clockSlack) doubt('gap', from, `Nothing is coded from ${text(from)} to ${text(to)}.`);
  };
  let end = 0;
  for (const { from, to } of bout.spans) {
    gap(end, from);
    end = to;
  }
  gap(end, bout.lengthSeconds);
  const stretches = playedStretches(bout.spans, clock);
  stretches.forEach((now, i) => {
    const name = positionName(now.position);
    const at = clock.footageAt(now.from);
    const before = stretches[i - 1];
    const why = before && now.begun === 'play' ? impossibleChange(before, now) : null;
    if (why) doubt('impossible', at, `${positionName(before!.position)} to ${name.toLowerCase()} at ${text(at)}: ${why}.`);
    const last = i === stretches.length - 1;
    if (!last && now.to - now.from < shortestHold - clockSlack)
      doubt('short', at, `${name} at ${text(at)} lasts ${(now.to - now.from).toFixed(2)} s.`);
  });
  doubts.push(...finishDoubts(bout, text));
  for (const event of bout.events)
    if (event.kind === 'stoppage' && !bout.events.some(({ kind, at }) => kind === 'restart' && at >= event.at))
      doubt('no-restart', event.at, `The stoppage at ${text(event.at)} has no restart: the clock stands still to the end.`);
    else if (event.kind === 'guard-pull') {
      const after = stretches.find(({ from }) => from >= clock.at(event.at) - clockSlack);
      if (after && positionFamily(after.position) === 'guard' && after.holder === event.athlete)
        doubt('pull', event.at, `The ${event.athlete} pulled guard at ${text(event.at)} and is then coded on top.`);
    }
  return doubts.sort((a, b) => a.at - b.at);
}
