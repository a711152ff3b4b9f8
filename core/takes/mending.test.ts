import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  cutClock,
  joinedCuts,
  mendingLines,
  openNotes,
  textsToDraft,
  withCaptions,
  putBack,
  withCut,
  type Take,
  type TakeEvent,
  type TakeStretch,
} from './index.ts';

const take = (fields: Partial<Take>): Take => ({ seconds: 30, events: [], cuts: [], captions: [], chapters: [], ...fields });
const said = (from: number, to: number, words = 'w') => ({ from, to, words, origin: 'typed' as const });
const note = (t: number, id: string, open: boolean): TakeEvent => ({ t, kind: 'note', id, open, words: '' });

describe('the page on which a take is mended', () => {
  it('has what is said and the long pauses as lines in the order of time, and says what is cut', () => {
    const mended = take({
      captions: [said(8, 10), said(0, 3)],
      cuts: [
        { from: 7.5, to: 11 },
        { from: 4, to: 5 },
      ],
    });
    const lines = mendingLines(mended, [
      { from: 3, to: 7 },
      { from: 12, to: 12.9 },
    ]);
    expect(lines.map((line) => [line.kind, line.from, line.kind === 'words' ? [line.place, line.cut] : line.left])).toEqual([
      ['words', 0, [1, false]],
      ['pause', 3, 3],
      ['words', 8, [0, true]],
    ]);
  });
});

describe('a cut', () => {
  const stretch = fc
    .tuple(fc.nat(300), fc.integer({ min: 1, max: 100 }))
    .map(([from, long]): TakeStretch => ({ from: from / 10, to: (from + long) / 10 }));

  it('takes its stretch out and no more; put back, the stretch is heard again and what else was cut stays so', () => {
    fc.assert(
      fc.property(fc.array(stretch, { maxLength: 6 }), stretch, (cuts, one) => {
        const before = take({ cuts });
        const after = take({ cuts: withCut(before, one) });
        const { from, to } = { from: Math.min(30, one.from), to: Math.min(30, one.to) };
        const heard = (of: Take, a: number, b: number): number => cutClock(of).toNew(b) - cutClock(of).toNew(a);
        expect(heard(after, from, to)).toBeCloseTo(0, 9);
        expect(heard(after, 0, from)).toBeCloseTo(heard(before, 0, from), 9);
        expect(heard(after, to, 30)).toBeCloseTo(heard(before, to, 30), 9);
        const back = take({ cuts: putBack(after, one) });
        expect(heard(back, from, to)).toBeCloseTo(to - from, 9);
        expect(heard(back, 0, from)).toBeCloseTo(heard(before, 0, from), 9);
        expect(heard(back, to, 30)).toBeCloseTo(heard(before, to, 30), 9);
      }),
    );
  });

  it('that is made and put back is nothing, where nothing was cut before', () => {
    expect(putBack(take({ cuts: withCut(take({}), { from: 2, to: 4 }) }), { from: 2, to: 4 })).toEqual([]);
    expect(joinedCuts(take({ cuts: [] }))).toEqual([]);
  });
});

describe('words drafted from notes', () => {
  const events = [note(2, 'a', true), note(10, 'b', true), note(14, 'a', false), note(20, 'b', false)];

  it('stand where the note was open, from when it was opened until another was, or it was closed', () => {
    expect(openNotes(take({ events }))).toEqual([
      { id: 'a', from: 2, to: 10 },
      { id: 'b', from: 10, to: 20 },
    ]);
  });

  it('leave alone what is written already, and a note that is half written down', () => {
    const text = (id: string): string => (id === 'a' ? 'The elbow leaves.' : 'Then the hip.');
    expect(textsToDraft(take({ events }), text)).toEqual([
      { from: 2, to: 10, text: 'The elbow leaves.' },
      { from: 10, to: 20, text: 'Then the hip.' },
    ]);
    expect(textsToDraft(take({ events, captions: [said(3, 5, 'Mine.')] }), text)).toEqual([{ from: 10, to: 20, text: 'Then the hip.' }]);
    expect(textsToDraft(take({ events }), () => ' ')).toEqual([]);
  });

  it('come beside what is written, never over it', () => {
    const laid = [said(0, 2, 'Before.'), said(4, 6, 'Over it.'), said(7, 9, 'After.')];
    expect(withCaptions([said(3, 5, 'Mine.')], laid).map(({ words }) => words)).toEqual(['Before.', 'Mine.', 'After.']);
  });
});
