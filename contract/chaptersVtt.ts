/** A named stretch of footage. */
export interface Chapter {
  fromSeconds: number;
  toSeconds: number;
  title: string;
}

/** A chapter within others that an instant is the point of. */
export interface Moment extends Chapter {
  atSeconds: number;
}

/** WebVTT counts in whole milliseconds: what is nested or disjoint has to be so there. */
const toMs = <T extends Chapter>(chapter: T): T => ({
  ...chapter,
  fromSeconds: Math.round(chapter.fromSeconds * 1000),
  toSeconds: Math.round(chapter.toSeconds * 1000),
});

/**
 * Stretches that follow one another, and the moments within them, as chapters that are nested or disjoint, as WebVTT asks: a moment stays
 * within the stretch it is in, and where two would overlap they part midway between what they are the point of. Answered in seconds, at
 * whole milliseconds.
 */
export function nestedChapters(stretches: readonly Chapter[], moments: readonly Moment[]): Chapter[] {
  const around = stretches.map(toMs);
  const within = moments
    .map((moment) => ({ ...toMs(moment), at: Math.round(moment.atSeconds * 1000) }))
    .sort((a, b) => a.at - b.at)
    .map(({ at, fromSeconds, toSeconds, title }) => {
      const bounds = boundsAt(around, at);
      return {
        at,
        title,
        fromSeconds: Math.max(Math.min(fromSeconds, at), bounds.fromSeconds),
        toSeconds: Math.min(Math.max(toSeconds, at + 1), bounds.toSeconds),
      };
    });
  within.forEach((later, i) => {
    const earlier = within[i - 1];
    if (!earlier || earlier.toSeconds <= later.fromSeconds) return;
    if (earlier.at === later.at) Object.assign(later, { fromSeconds: earlier.fromSeconds, toSeconds: earlier.toSeconds });
    else {
      // Rounded up it lies after the earlier one, and at the latest on the later one.
      const between = Math.ceil((earlier.at + later.at) / 2);
      for (const one of within) if (one.at === earlier.at) one.toSeconds = between;
      later.fromSeconds = between;
    }
  });
  return [...around, ...within].map(({ title, fromSeconds, toSeconds }) => ({
    title,
    fromSeconds: fromSeconds / 1000,
    toSeconds: toSeconds / 1000,
  }));
}

/** The stretch an instant is in, or the gap between two. */
function boundsAt(stretches: readonly Chapter[], at: number): Pick<Chapter, 'fromSeconds' | 'toSeconds'> {
  const within = stretches.find(({ fromSeconds, toSeconds }) => fromSeconds <= at && at < toSeconds);
  if (within) return within;
  return {
    fromSeconds: Math.max(0, ...stretches.filter(({ toSeconds }) => toSeconds <= at).map(({ toSeconds }) => toSeconds)),
    toSeconds: Math.min(Infinity, ...stretches.filter(({ fromSeconds }) => fromSeconds > at).map(({ fromSeconds }) => fromSeconds)),
  };
}

/** hh:mm:ss.ttt, as WebVTT writes times. */
export function vttTime(seconds: number): string {
  const ms = Math.round(Math.max(0, seconds) * 1000);
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${two(Math.floor(ms / 3_600_000))}:${two(Math.floor(ms / 60_000) % 60)}:${two(Math.floor(ms / 1000) % 60)}.${String(ms % 1000).padStart(3, '0')}`;
}

/** What a cue may not hold: line breaks would end it, "-->" and "<" mean something. */
export const cueText = (text: string): string =>
  text.replace(/\s+/g, ' ').replaceAll('-->', '→').replaceAll('&', '&amp;').replaceAll('<', '&lt;').trim();

/** Chapters as WebVTT (W3C), in the order of time, those around others first. */
export const chaptersVtt = (chapters: readonly Chapter[]): string =>
  `WEBVTT\n${[...chapters]
    .sort((a, b) => a.fromSeconds - b.fromSeconds || b.toSeconds - a.toSeconds)
    .map(
      ({ fromSeconds, toSeconds, title }, i) =>
        `\n${i + 1}\n${vttTime(fromSeconds)} --> ${vttTime(Math.max(toSeconds, fromSeconds + 0.001))}\n${cueText(title)}\n`,
    )
    .join('')}`;
