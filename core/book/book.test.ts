import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  blankPrinciple,
  bookContradictions,
  bookFaults,
  buildsOn,
  prerequisiteCircle,
  readingGrade,
  restsOn,
  wordsIn,
  type BookPrinciple,
} from './index.ts';

const principle = (id: string, prerequisites: string[] = [], more: { cue?: string; drillIds?: string[]; name?: string } = {}) => ({
  id,
  name: id.toUpperCase(),
  cue: 'Frame first.',
  prerequisites,
  drillIds: [],
  ...more,
});

describe('the book', () => {
  it('without a fault has none', () => {
    expect(bookFaults([principle('a'), principle('b', ['a'], { drillIds: ['d'] })], [{ id: 'd', name: 'Shrimp' }])).toEqual([]);
  });

  it('says the whole way round where principles rest on one another in a circle', () => {
    const round = [principle('a', ['c']), principle('b', ['a']), principle('c', ['b']), principle('d', ['a'])];
    expect(bookFaults(round, [])).toEqual(['These rest on one another in a circle: “A” → “C” → “B” → “A”.']);
    expect(prerequisiteCircle([principle('a', ['a'])])).toEqual(['a', 'a']);
  });

  it('counts the words of a cue, and names what it does not have', () => {
    const cue = 'one two three four five six seven eight nine ten eleven twelve – thirteen';
    expect(wordsIn(cue)).toBe(13);
    expect(bookFaults([principle('a', ['gone'], { cue, drillIds: ['x'] })], [])).toEqual([
      'The cue of “A” has 13 words; 12 are the most.',
      '“A” rests on gone, which is not in the book.',
      '“A” names the drill x, which is not in the book.',
    ]);
  });

  it('does not call two things by one name, however it is written', () => {
    const faults = bookFaults(
      [principle('a'), principle('b', [], { name: ' a ' })],
      [
        { id: 'd', name: 'Hip out' },
        { id: 'e', name: 'hip OUT' },
      ],
    );
    expect(faults.map((words) => words.slice(0, 30))).toEqual(['Two principles are called “ a ', 'Two drills are called “hip OUT']);
  });

  it('finds a circle exactly where going on and on over what is rested on comes back', () => {
    const graph = fc.array(fc.array(fc.nat(7), { maxLength: 3 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(graph, (edges) => {
        const principles = edges.map((to, i) => principle(`${i}`, to.filter((t) => t < edges.length).map(String)));
        const byId = new Map(principles.map((one) => [one.id, one]));
        const reaches = (from: string): Set<string> => {
          const found = new Set(byId.get(from)!.prerequisites);
          for (let size = -1; size !== found.size;) {
            size = found.size;
            for (const one of [...found]) for (const next of byId.get(one)!.prerequisites) found.add(next);
          }
          return found;
        };
        const circle = prerequisiteCircle(principles);
        expect(circle !== null).toBe(principles.some(({ id }) => reaches(id).has(id)));
        if (circle) for (let i = 1; i < circle.length; i++) expect(byId.get(circle[i - 1]!)!.prerequisites).toContain(circle[i]);
        for (const { id } of principles) {
          const all = reaches(id);
          all.delete(id);
          expect(restsOn(id, byId)).toEqual(all);
        }
      }),
    );
  });

  it('knows what builds on a principle', () => {
    const all = [principle('a'), principle('b', ['a']), principle('c', ['b'])];
    expect(buildsOn('a', all).map(({ id }) => id)).toEqual(['b']);
  });
});

describe('advice for one situation', () => {
  const under = { where: [{ position: 'mount' as const, role: 'other' as const }] };
  const says = (id: string, when: string, what: string, more: Partial<BookPrinciple> = {}): BookPrinciple =>
    blankPrinciple({ id, name: id, ...under, variants: [{ when, do: what, stance: 'taught', spares: [] }], ...more });

  it('is a contradiction where one turns the other round under the same condition, or calls it an error', () => {
    const found = bookContradictions([
      says('a', 'they post a hand', 'push the near knee to the mat'),
      says('b', 'they post the hand', 'pull the near knee to the mat'),
      says('c', '', 'breathe', { errors: ['Pushing the near knee to the mat'] }),
    ]);
    expect(found.map(({ one, other, situation }) => [one, other, situation])).toEqual([
      ['a', 'b', 'mount, other'],
      ['a', 'c', 'mount, other'],
    ]);
    expect(found[0]!.words).toEqual(['push the near knee to the mat', 'pull the near knee to the mat']);
  });

  it('is none where the condition, the place or the side is another, or where it is what is ruled out', () => {
    const a = says('a', 'they post a hand', 'push the near knee to the mat');
    for (const other of [
      says('b', 'they sit up tall', 'pull the near knee to the mat'),
      says('b', 'they post a hand', 'pull the near knee to the mat', { where: [{ position: 'mount', role: 'holder' }] }),
      says('b', 'they post a hand', 'push the near knee to the mat, do not pull the near knee'),
      says('b', '', 'breathe', { errors: ['Pushing the head'] }),
    ])
      expect(bookContradictions([a, other])).toEqual([]);
  });

  it('is found by the chance that both count, too, and within one principle', () => {
    const chance = { where: [], chances: 'lifted while passing' };
    expect(
      bookContradictions([says('a', '', 'lift the far hip high', chance), says('b', '', 'lift the far hip low', chance)]),
    ).toHaveLength(1);
    expect(bookContradictions([says('a', '', 'lift the far hip high', { errors: ['Lifting the far hip'] })])).toHaveLength(1);
  });
});

describe('reading at ease', () => {
  it('is by the length of sentences and words, as the formula has it', () => {
    expect(readingGrade('The cat sat on the mat.')).toBeCloseTo(0.39 * 6 + 11.8 - 15.59, 6);
    expect(readingGrade('Consideration of complicated positional circumstances necessitates deliberation.')!).toBeGreaterThan(20);
    expect(readingGrade('')).toBeNull();
  });
});
