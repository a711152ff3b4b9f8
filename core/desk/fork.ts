/** What of a note a fork is read against. */
interface About {
  fromFrame: number;
}

/**
 * A decision before a note: from when it was open to when it could be taken last, when somebody acted, and what could have been done, in
 * the coach's order (docs/domain.md §5, fork). Frames are of the note's footage.
 */
export interface Fork {
  opensFrame: number;
  lastFrame: number;
  /** Null: nobody did anything. */
  actedFrame: number | null;
  /** At most one was taken. */
  options: { do: string; taken: boolean }[];
}
export const mostForkOptions = 3;

/** A fork that opens on this frame, with what the note says to do instead as its first options. */
export const forkFrom = (
  opensFrame: number,
  { fromFrame, what, instead }: About & { what: string; instead: readonly { do: string }[] },
): Fork => ({
  opensFrame: Math.min(opensFrame, fromFrame),
  lastFrame: fromFrame,
  actedFrame: null,
  options: [...instead.slice(0, mostForkOptions - 1).map((one) => ({ do: one.do, taken: false })), { do: what.slice(0, 200), taken: true }],
});

/** Why a fork cannot be, in words; null where it can. */
export function forkFault({ opensFrame, lastFrame, actedFrame, options }: Fork, { fromFrame }: About): string | null {
  if (lastFrame < opensFrame) return 'The last chance lies before the fork opens.';
  if (opensFrame > fromFrame) return 'A fork opens before what it is about.';
  if (actedFrame !== null && actedFrame < opensFrame) return 'Nobody can act before the fork opens.';
  return options.filter(({ taken }) => taken).length > 1 ? 'Only one of the ways was taken.' : null;
}

export interface ForkFacts {
  /** Seconds from its opening to its last chance, to what it is about, and to the act; null where nobody acted. */
  window: number;
  lead: number;
  reaction: number | null;
  /** Whether the way that the coach puts first was taken while there was time. */
  taken: boolean;
}

export function forkFacts(fork: Fork, { fromFrame }: About, secondsAt: (frame: number) => number): ForkFacts {
  const since = (frame: number): number => secondsAt(frame) - secondsAt(fork.opensFrame);
  return {
    window: since(fork.lastFrame),
    lead: since(fromFrame),
    reaction: fork.actedFrame === null ? null : since(fork.actedFrame),
    taken: isForkTaken(fork),
  };
}

/** Whether the way that the coach puts first was taken while there was time. */
export const isForkTaken = ({ options, actedFrame, lastFrame }: Fork): boolean =>
  options[0]?.taken === true && actedFrame !== null && actedFrame <= lastFrame;

const tenths = (seconds: number): string => `${seconds.toFixed(1)} s`;

/** A fork in one sentence: "Open for 0.9 s, 2.4 s before this; acted after 0.6 s: taken." */
export function forkText({ window, lead, reaction, taken }: ForkFacts): string {
  const acted = reaction === null ? 'nobody acted' : `acted after ${tenths(reaction)}`;
  return `Open for ${tenths(window)}, ${tenths(lead)} before this; ${acted}${taken ? ': taken' : ''}.`;
}

/** How often forks were taken: of all, and, where a fix was sent, of those of footage before and since. */
export interface ForksTaken {
  taken: number;
  all: number;
  before: { taken: number; all: number } | null;
}

/** A note with its fork, of the request it belongs to. */
export interface ForkSeen {
  fork: Fork;
  /** When its request was sent; and when a fix on its principle was sent first, null where none was. */
  sentAt: string;
  fixSentAt: string | null;
}

export function forksTaken(seen: readonly ForkSeen[]): ForksTaken {
  const count = (some: readonly ForkSeen[]) => ({ taken: some.filter(({ fork }) => isForkTaken(fork)).length, all: some.length });
  const fixed = seen.find(({ fixSentAt }) => fixSentAt !== null)?.fixSentAt ?? null;
  if (fixed === null) return { ...count(seen), before: null };
  const since = seen.filter(({ sentAt }) => sentAt > fixed);
  return { ...count(since), before: count(seen.filter(({ sentAt }) => sentAt <= fixed)) };
}

/** "taken 2 of 9, was 0 of 7"; empty where none was seen. */
export function forksTakenText({ taken, all, before }: ForksTaken): string {
  if (before && all === 0) return `taken ${before.taken} of ${before.all} before the fix, none seen since`;
  if (all === 0) return '';
  return `taken ${taken} of ${all}${before && before.all > 0 ? `, was ${before.taken} of ${before.all}` : ''}`;
}
