import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import webvtt from 'webvtt-parser';
import { chaptersVtt, nestedChapters, type Chapter, type Moment } from './chaptersVtt.ts';

/** Read by a parser of the standard's authors, which names every fault. */
function read(vtt: string): { startTime: number; endTime: number; text: string }[] {
  const { cues, errors } = new webvtt.WebVTTParser().parse(vtt, 'chapters');
  expect(errors).toEqual([]);
  return cues;
}
const span = (fromSeconds: number, toSeconds: number, title = 'Mount'): Chapter => ({ fromSeconds, toSeconds, title });
const moment = (atSeconds: number, title = 'The elbow.'): Moment => ({
  atSeconds,
  fromSeconds: Math.max(0, atSeconds - 2),
  toSeconds: atSeconds + 2,
  title,
});

/** Whether no two cues overlap but one lies within the other. */
const areNestedOrDisjoint = (cues: readonly { startTime: number; endTime: number }[]): boolean =>
  cues.every((a, i) =>
    cues
      .slice(i + 1)
      .every(
        (b) =>
          a.endTime <= b.startTime ||
          b.endTime <= a.startTime ||
          (a.startTime <= b.startTime && b.endTime <= a.endTime) ||
          (b.startTime <= a.startTime && a.endTime <= b.endTime),
      ),
  );

describe('chapters', () => {
  it('are read by another’s strict reader, with every sign that means something there', () => {
    const cues = read(chaptersVtt([span(0, 3, 'Half guard --> mount & <b>\nagain'), span(3, 5, 'Émile’s guard')]));
    expect(cues.map(({ startTime, endTime }) => [startTime, endTime])).toEqual([
      [0, 3],
      [3, 5],
    ]);
  });

  it('hold a moment within the position it is in, and part two moments midway', () => {
    const [mount, first, second, back] = read(
      chaptersVtt(nestedChapters([span(0, 10), span(10, 20, 'Back')], [moment(9, 'b'), moment(8, 'a')])),
    );
    expect([mount, first, second, back].map((cue) => [cue!.text, cue!.startTime, cue!.endTime])).toEqual([
      ['Mount', 0, 10],
      ['a', 6, 8.5],
      ['b', 8.5, 10],
      ['Back', 10, 20],
    ]);
  });

  it('are nested or disjoint, whatever positions and moments there are', () => {
    const lengths = fc.array(fc.integer({ min: 1, max: 9000 }), { maxLength: 12 });
    fc.assert(
      fc.property(lengths, fc.array(fc.integer({ min: 0, max: 60_000 }), { maxLength: 12 }), (parts, instants) => {
        let at = 1;
        // Every third one is a gap between two bouts.
        const spans = parts.flatMap((ms, i) => {
          const from = at;
          at += ms / 1000;
          return i % 3 === 2 ? [] : [span(from, at)];
        });
        const cues = read(
          chaptersVtt(
            nestedChapters(
              spans,
              instants.map((ms) => moment(ms / 1000)),
            ),
          ),
        );
        expect(cues).toHaveLength(spans.length + instants.length);
        expect(areNestedOrDisjoint(cues)).toBe(true);
      }),
      // Two at one instant and a third a moment later; three that follow one another as closely as can be.
      {
        numRuns: 1000,
        examples: [
          [[], [59_988, 59_988, 59_989]],
          [[], [14, 15, 13]],
          [
            [1, 2, 3],
            [1001, 1002, 1003],
          ],
        ],
      },
    );
  });
});
