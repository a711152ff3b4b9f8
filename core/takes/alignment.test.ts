import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alignedCaptions, wordsToAlign, type FoundWord } from './index.ts';

const known = new Set('your elbow leaves the under hook is gone twenty five times it'.split(' '));
const asked = (...lines: string[]) => wordsToAlign(lines, (word) => known.has(word));
const stretch = { from: 10, to: 30 };
/** Each word of a second, one after another, from the beginning of the stretch. */
const heard = (sure: readonly boolean[]): FoundWord[] => sure.map((one, i) => ({ from: 10 + i, to: 11 + i, sure: one }));

describe('the words that an aligner is asked for', () => {
  it('are those that it knows: in small letters, without marks, two where a word is made of two, numbers as they are said', () => {
    expect(asked('Your elbow’s leaving.', '“The UNDERHOOK” is gone 25 times.')).toEqual([
      { word: 'your', line: 0, at: 0 },
      { word: 'elbow', line: 0, at: 5 },
      { word: 'the', line: 1, at: 1 },
      { word: 'under', line: 1, at: 5 },
      { word: 'hook', line: 1, at: 5 },
      { word: 'is', line: 1, at: 16 },
      { word: 'gone', line: 1, at: 19 },
      { word: 'twenty', line: 1, at: 24 },
      { word: 'five', line: 1, at: 24 },
      { word: 'times', line: 1, at: 27 },
    ]);
    expect(asked('Ganz andere Wörter, 1999.')).toEqual([]);
  });
});

describe('lines whose words were found', () => {
  const lines = ['your elbow', 'leaves the', 'it is gone'];
  const words = asked(...lines);
  const laid = (sure: readonly boolean[]) => alignedCaptions(lines, words, heard(sure), stretch, []);

  it('begin with their first word and end with their last', () => {
    expect(laid([true, true, true, true, true, true, true])).toEqual({
      placed: 3,
      captions: [
        { from: 10, to: 12, words: 'your elbow', origin: 'drafted' },
        { from: 12, to: 14, words: 'leaves the', origin: 'drafted' },
        { from: 14, to: 17, words: 'it is gone', origin: 'drafted' },
      ],
    });
  });

  it('become two where one pauses for long within them', () => {
    const line = 'Your elbow. It is gone.';
    const found = [10, 10.5, 14, 14.3, 14.6].map((at) => ({ from: at, to: at + 0.3, sure: true }));
    const { captions, placed } = alignedCaptions([line], asked(line), found, stretch, []);
    expect(placed).toBe(2);
    expect(captions.map(({ from, to, words: said }) => [from, to, said])).toEqual([
      [10, 10.8, 'Your elbow.'],
      [14, expect.closeTo(14.9), 'It is gone.'],
    ]);
  });

  it('of which most does not sound like it are spread between their neighbours', () => {
    const { captions, placed } = laid([true, true, false, false, true, true, true]);
    expect(placed).toBe(2);
    expect(captions.map(({ from, to }) => [from, to])).toEqual([
      [10, 12],
      [12, 14],
      [14, 17],
    ]);
    expect(laid([false, true, true, true, true, true, true]).captions[0]).toMatchObject({ from: 11, to: 12 });
  });

  it('are all spread where most words were not found: then it is not what was said', () => {
    const { captions, placed } = laid([true, true, false, false, false, false, false]);
    expect(placed).toBe(0);
    expect(captions.map(({ from }) => from)).toEqual([10, expect.closeTo(16.67, 1), expect.closeTo(23.33, 1)]);
  });

  it('never lie over one another, whatever was found', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 12 }),
        fc.infiniteStream(fc.boolean()),
        (counts, sure) => {
          const texts = counts.map((many) => Array<string>(many).fill('elbow').join(' '));
          const all = wordsToAlign(texts, () => true);
          const found = all.map((_, i): FoundWord => ({ from: 10 + i / 3, to: 10 + (i + 1) / 3, sure: sure.next().value! }));
          const { captions } = alignedCaptions(texts, all, found, stretch, []);
          captions.forEach(({ from, to }, i) => {
            expect(to).toBeGreaterThan(from);
            expect(from).toBeGreaterThanOrEqual(captions[i - 1]?.to ?? stretch.from);
            expect(to).toBeLessThanOrEqual(stretch.to);
          });
        },
      ),
    );
  });
});
