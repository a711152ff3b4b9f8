import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { captionLetters, captionTexts, heardCaptions, spreadCaptions, uncaptioned, type Caption } from './index.ts';

const caption = (from: number, to: number, more: Partial<Caption> = {}): Caption => ({
  from,
  to,
  words: 'Elbow in.',
  origin: 'typed',
  ...more,
});
const word = fc.stringMatching(/^[a-zé’]{1,12}[.,!?]?$/);
const text = fc.array(word, { maxLength: 120 }).map((words) => words.join(' '));
const stretches = fc
  .array(fc.integer({ min: 1, max: 4000 }), { maxLength: 12 })
  .map((gaps) => gaps.map((ms, i) => ({ ms: ms / 1000, i })))
  .map((gaps) => {
    let at = 0;
    const edges = gaps.map(({ ms }) => (at += ms));
    return edges.flatMap((from, i) => (i % 2 === 0 && edges[i + 1] !== undefined ? [{ from, to: edges[i + 1]! }] : []));
  });

describe('captions of a text', () => {
  it('are short enough to be read and leave no word out, whatever the text', () => {
    fc.assert(
      fc.property(text, (said) => {
        const texts = captionTexts(said);
        expect(texts.join(' ')).toBe(said);
        for (const one of texts) expect(one.length).toBeLessThanOrEqual(captionLetters);
      }),
      { numRuns: 500 },
    );
  });

  it('end where a sentence ends, else after a part of one, and never in the middle of a word', () => {
    expect(
      captionTexts('Watch his right knee. It points at your ribs, and the moment it drops to the mat you have lost the frame.'),
    ).toEqual(['Watch his right knee. It points at your ribs,', 'and the moment it drops to the mat you have lost the frame.']);
    expect(captionTexts('a'.repeat(90))).toEqual(['a'.repeat(90)]);
    expect(captionTexts(' \n ')).toEqual([]);
  });

  it('spread over a stretch follow one another within it, and none stands in a silence alone', () => {
    fc.assert(
      fc.property(text, stretches, (said, silences) => {
        const within = { from: 1, to: 20 };
        const all = spreadCaptions(said, within, silences);
        all.forEach(({ from, to }, i) => {
          expect(from).toBeGreaterThanOrEqual(i === 0 ? within.from : all[i - 1]!.to - 1e-9);
          expect(to).toBeGreaterThan(from);
          expect(to).toBeLessThanOrEqual(within.to + 1e-9);
          expect(silences.some((silence) => silence.from <= from + 1e-9 && to <= silence.to + 1e-9)).toBe(false);
        });
      }),
      { numRuns: 500 },
    );
  });

  it('get time by their letters, and a silence gets none', () => {
    const said = `${'a'.repeat(60)} ${'b'.repeat(30)}`;
    expect(spreadCaptions(said, { from: 10, to: 22 }, [{ from: 14, to: 17 }])).toEqual([
      { from: 10, to: 19, words: 'a'.repeat(60), origin: 'drafted' },
      { from: 19, to: 22, words: 'b'.repeat(30), origin: 'drafted' },
    ]);
    // One that ends where a silence begins ends before it, and the next begins after it.
    expect(spreadCaptions(said, { from: 10, to: 22 }, [{ from: 16, to: 19 }]).map(({ from, to }) => [from, to])).toEqual([
      [10, 16],
      [19, 22],
    ]);
  });
});

describe('captions of a take', () => {
  it('are moved with the voice where something was cut out, and gone with it', () => {
    const captions = [caption(8, 9), caption(2, 4), caption(5, 6.5)];
    expect(
      heardCaptions({
        seconds: 20,
        cuts: [
          { from: 3, to: 6 },
          { from: 7.5, to: 9 },
        ],
        captions,
      }),
    ).toEqual([caption(2, 3), caption(3, 3.5)]);
  });

  it('are complete when all that is said is written: a breath is no gap, what a recogniser heard does not count, a cut needs none', () => {
    const speech = [
      { from: 1, to: 5 },
      { from: 8, to: 12 },
    ];
    const take = (captions: Caption[], cuts: { from: number; to: number }[] = []) => ({ seconds: 20, cuts, captions });
    expect(uncaptioned(take([]), speech)).toEqual(speech);
    expect(uncaptioned(take([caption(1, 3), caption(3.5, 5), caption(8, 12)]), speech)).toEqual([]);
    expect(uncaptioned(take([caption(1, 3), caption(8, 12, { origin: 'heard' })]), speech)).toEqual([
      { from: 3, to: 5 },
      { from: 8, to: 12 },
    ]);
    expect(uncaptioned(take([caption(1, 5), caption(8, 10, { words: ' ' })], [{ from: 9, to: 12 }]), speech)).toEqual([{ from: 8, to: 9 }]);
  });
});
