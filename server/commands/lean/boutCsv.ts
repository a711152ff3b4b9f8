import type { GoodBout } from './boutAnswers.ts';

const quoted = (value: unknown): string => {
  const text = value === null || value === undefined ? '' : String(value);
  return /[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};
const csv = (header: readonly string[], rows: readonly (readonly unknown[])[]): string =>
  [header, ...rows].map((row) => row.map(quoted).join(',')).join('\n');

/** `lean spans FILE`: the spans of a bout as CSV. */
export const spansCsv = ({ bout }: GoodBout): string =>
  csv(['position', 'holder', 'fromSeconds', 'toSeconds'], bout.spans.map(({ position, holder, from, to }) => [position, holder, from, to])); // prettier-ignore

/** `lean events FILE`: its events, in the order of time. */
export const eventsCsv = ({ bout }: GoodBout): string =>
  csv(
    ['kind', 'athlete', 'atSeconds', 'technique', 'outcome', 'close', 'gripped', 'position', 'holder'],
    [...bout.events]
      .sort((a, b) => a.at - b.at)
      .map((event) => {
        const of = event as unknown as Record<string, unknown>;
        return [
          event.kind,
          of['athlete'],
          event.at,
          of['technique'],
          of['outcome'],
          of['close'],
          of['gripped'],
          of['position'],
          of['holder'],
        ];
      }),
  );
