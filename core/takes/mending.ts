import type { Seconds } from '../footage/index.ts';
import { joinedCuts, leftOf } from './cuts.ts';
import { longestPause } from './pauses.ts';
import type { Caption, Take, TakeEvent, TakeStretch } from './take.ts';

/** A line of the page on which a take is mended: something said, or a pause that is long. */
export type MendingLine =
  | ({ kind: 'words'; place: number; cut: boolean } & Caption)
  /** `left`: how much of it is still heard. */
  | ({ kind: 'pause'; left: Seconds } & TakeStretch);

/** Whether nothing of a stretch is heard any more. */
export const isCutOut = (take: Pick<Take, 'cuts' | 'seconds'>, stretch: TakeStretch): boolean =>
  leftOf(stretch, joinedCuts(take)).length === 0;

/** What is said and the long pauses between it, in the order of time; `place`: of the caption in the take. */
export function mendingLines(take: Pick<Take, 'captions' | 'cuts' | 'seconds'>, silences: readonly TakeStretch[]): MendingLine[] {
  const cuts = joinedCuts(take);
  const words = take.captions.map((caption, place): MendingLine => ({ kind: 'words', place, cut: isCutOut(take, caption), ...caption }));
  const pauses = silences
    .filter(({ from, to }) => to - from > longestPause)
    .map((silence): MendingLine => {
      const left = leftOf(silence, cuts).reduce((sum, { from, to }) => sum + to - from, 0);
      return { kind: 'pause', ...silence, left };
    });
  return [...words, ...pauses].sort((a, b) => a.from - b.from || a.to - b.to);
}

/** Cuts after one more. */
export const withCut = (take: Pick<Take, 'cuts' | 'seconds'>, cut: TakeStretch): TakeStretch[] =>
  joinedCuts({ seconds: take.seconds, cuts: [...take.cuts, cut] });

/** Cuts after a stretch was put back: what lies outside of it stays cut. */
export const putBack = (take: Pick<Take, 'cuts' | 'seconds'>, stretch: TakeStretch): TakeStretch[] =>
  joinedCuts(take).flatMap((cut) => leftOf(cut, [stretch]));

/** While which note was open, one stretch after another, in seconds of the recording. */
export function openNotes({ events, seconds }: Pick<Take, 'events' | 'seconds'>): { id: string; from: Seconds; to: Seconds }[] {
  const open: { id: string; from: Seconds; to: Seconds }[] = [];
  let now: string | null = null;
  for (const event of events) {
    const next = noteAfter(now, event);
    if (next === now) continue;
    const last = open.at(-1);
    if (now !== null && last) last.to = event.t;
    if (next !== null) open.push({ id: next, from: event.t, to: seconds });
    now = next;
  }
  return open.filter(({ from, to }) => to > from);
}

function noteAfter(now: string | null, event: TakeEvent): string | null {
  if (event.kind === 'stage') return event.note?.id ?? null;
  if (event.kind !== 'note') return now;
  if (event.open) return event.id;
  return event.id === now ? null : now;
}

/** A text of which it is known in which stretch of a take it was spoken. */
export interface SpokenText extends TakeStretch {
  text: string;
}

/**
 * What is known of the words that nobody has written down yet: the text of each note, spoken while it was open. A note that is half written
 * down already is the coach's to finish. `textOf`: what a note says; empty where it is gone.
 */
export function textsToDraft(take: Pick<Take, 'captions' | 'events' | 'seconds'>, textOf: (noteId: string) => string): SpokenText[] {
  const written = [...take.captions].sort((a, b) => a.from - b.from);
  return openNotes(take).flatMap(({ id, from, to }) => {
    const text = textOf(id).trim();
    const free = leftOf({ from, to }, written);
    return text !== '' && free.length === 1 && free[0]!.to - free[0]!.from === to - from ? [{ from, to, text }] : [];
  });
}

/** Captions with some that were laid to the voice: where somebody has written already, what is written stays. */
export function withCaptions(written: readonly Caption[], laid: readonly Caption[]): Caption[] {
  const ordered = [...written].sort((a, b) => a.from - b.from);
  const free = laid.filter((one) => leftOf(one, ordered).some(({ from, to }) => from === one.from && to === one.to));
  return [...ordered, ...free].sort((a, b) => a.from - b.from);
}
