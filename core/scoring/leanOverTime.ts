import { leanOfSpan, type PositionValues } from '../positions/index.ts';
import type { TimedBout } from './timedBout.ts';

/** Lean at a second of the footage clock since the bout's start; null where nothing is coded. Not eased: easing is for drawing. */
export function leanAt({ spans }: Pick<TimedBout, 'spans'>, seconds: number, values?: PositionValues): number | null {
  const span = spans.find(({ from, to }) => from <= seconds && seconds < to);
  return span ? leanOfSpan(span, values) : null;
}

/** The lean every so many seconds and at every change, in the order of time; the last row is the end of what is coded. */
export function leanOverTime(
  bout: Pick<TimedBout, 'spans'>,
  everySeconds: number,
  values?: PositionValues,
): { seconds: number; lean: number }[] {
  const end = bout.spans.at(-1)?.to ?? 0;
  const steps = Array.from({ length: Math.ceil(end / everySeconds - 1e-9) }, (_, i) => i * everySeconds);
  const times = [...new Set([...steps, ...bout.spans.map(({ from }) => from)])].sort((a, b) => a - b);
  const rows = times.flatMap((seconds) => {
    const lean = leanAt(bout, seconds, values);
    return lean === null ? [] : [{ seconds, lean }];
  });
  const last = bout.spans.at(-1);
  return last ? [...rows, { seconds: end, lean: leanOfSpan(last, values) }] : rows;
}
