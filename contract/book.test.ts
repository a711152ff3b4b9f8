import { bookAreas, bookAttires, drillPartners, placeRoles, stances, type BookPrinciple } from '@lean-mentor/core/book';
import { bodyParts, bodySides, burdens, cautionClasses } from '@lean-mentor/core/care';
import { positionCodes } from '@lean-mentor/core/scoring';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bookChangeOf, bookFile, bookFileOf, readBookFile, type BookFile } from './bookFile.ts';
import { bookMarkdown, readBookMarkdown } from './bookMarkdown.ts';

/** Words as people write them: no line breaks, nothing that is the format's own punctuation at an edge. */
const words = fc.array(fc.stringMatching(/^[a-zäöéčß’][a-zäöéčß’0-9]{0,7}$/), { minLength: 1, maxLength: 6 }).map((list) => list.join(' '));
const paragraphs = fc.array(words, { maxLength: 3 }).map((list) => list.join('\n\n'));
const named = <T extends { name: string }>(things: fc.Arbitrary<T>) =>
  fc.uniqueArray(things, { maxLength: 5, selector: ({ name }) => name.toLocaleLowerCase() });
const load = fc
  .record({
    part: fc.constantFrom(...bodyParts),
    side: fc.constantFrom(null, ...bodySides),
    burdens: fc.uniqueArray(fc.constantFrom(...burdens), { maxLength: 3 }),
  })
  .map(({ burdens: asked, ...part }) => ({ ...part, ...(asked.length > 0 && { burdens: asked }) }));
const asks = fc.record({ doer: fc.array(load, { maxLength: 2 }), partner: fc.array(load, { maxLength: 2 }) });
const care = { caution: fc.constantFrom(...cautionClasses), loads: asks, attire: fc.constantFrom(...bookAttires) };
const spares = fc.uniqueArray(fc.constantFrom(...bodyParts), { maxLength: 2 });
const variant = fc.record({ when: fc.option(words, { nil: '' }), do: words, stance: fc.constantFrom(...stances), spares });
const principle = fc.record({
  name: words,
  area: fc.constantFrom(...bookAreas),
  cue: fc.option(words, { nil: '' }),
  good: paragraphs,
  why: paragraphs,
  where: fc.array(fc.record({ position: fc.constantFrom(...positionCodes), role: fc.constantFrom(...placeRoles) }), { maxLength: 3 }),
  chances: fc.option(words, { nil: '' }),
  level: fc.integer({ min: 1, max: 5 }),
  ...care,
  techniques: fc.array(words, { maxLength: 2 }),
  variants: fc.array(variant, { maxLength: 3 }),
  errors: fc.array(words, { maxLength: 2 }),
  rests: fc.constant<string[]>([]),
  drills: fc.constant<string[]>([]),
  clips: fc.array(words, { maxLength: 2 }),
});
const drill = fc.record({
  name: words,
  how: paragraphs,
  partner: fc.constantFrom(...drillPartners),
  equipment: fc.option(words, { nil: '' }),
  minutes: fc.constantFrom(0.5, 3, 12),
  ...care,
});
const book: fc.Arbitrary<BookFile> = fc.record({
  format: fc.constant('lean-mentor/book@1' as const),
  principles: named(principle),
  drills: named(drill),
});

let made = 0;
const newId = (): string => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`;
const empty = { principles: [], drills: [], clips: [] };

describe('a book in Markdown', () => {
  it('is read back as it was written', () => {
    fc.assert(
      fc.property(book, (file) => {
        expect(readBookMarkdown(bookMarkdown(file))).toEqual({ book: file });
      }),
    );
  });

  it('says what is wrong with its line', () => {
    const text = [
      'A stray line',
      '## Principle: Frame first',
      '- level: nine',
      '- colour: blue',
      '### Songs',
      '## Drill: Shrimp',
      '- partner: horse',
      '## Nothing',
    ].join('\n');
    expect(readBookMarkdown(text)).toEqual({
      faults: [
        'Line 1: “A stray line” stands before any entry.',
        'Line 4: “colour: blue” is no fact of a principle; those are area, cue, level, caution, asks, asks of the other, attire, where, chances, rests on, techniques.',
        'Line 5: “Songs” is not a part of a principle; the parts of a principle are What good looks like, Why, What to do, Common errors, Drills, Clips.',
        'Line 8: an entry begins “## Principle: its name” or “## Drill: its name”.',
        expect.stringMatching(/^Line 2: area of “Frame first” is missing/),
        expect.stringMatching(/^Line 2: level of “Frame first”/),
        expect.stringMatching(/^Line 8: area of “Nothing” is missing/),
        expect.stringMatching(/^Line 6: partner of “Shrimp” "horse" is not right.*It is one of alone, helping, resisting/),
      ],
    });
  });

  it('reads conditions and stances out of what a person would write', () => {
    const read = readBookMarkdown(
      '## Principle: P\n- area: guard\n### What to do\n- If he stands: hook a leg (spares: hip, knee) (also-good)\n- Wait',
    );
    expect('book' in read && read.book.principles[0]!.variants).toEqual([
      { when: 'he stands', do: 'hook a leg', spares: ['hip', 'knee'], stance: 'also-good' },
      { when: '', do: 'Wait', spares: [], stance: 'taught' },
    ]);
  });
});

describe('a book file', () => {
  const file = (parts: object) => bookFile.parse({ format: 'lean-mentor/book@1', ...parts });

  it('finds what is pointed at by name, in the file and in the house, and replaces what has the same name', () => {
    const first = bookChangeOf(file({ principles: [{ name: 'Base', area: 'passing' }], drills: [{ name: 'Shrimp' }] }), empty, newId);
    if ('faults' in first) throw new Error(first.faults.join());
    const second = bookChangeOf(
      file({
        principles: [
          { name: 'BASE', area: 'pins', drills: ['shrimp'] },
          { name: 'Lift', area: 'guard', rests: ['base'], clips: ['none'] },
        ],
      }),
      { ...first.change, clips: [] },
      newId,
    );
    if ('faults' in second) throw new Error(second.faults.join());
    const [base, lift] = second.change.principles;
    expect(second.change).toMatchObject({ added: 1, changed: 1, missingClips: ['none'] });
    expect(base).toMatchObject({ id: first.change.principles[0]!.id, area: 'pins', drillIds: [first.change.drills[0]!.id] });
    expect(lift!.prerequisites).toEqual([base!.id]);
  });

  it('is refused as a whole where it would leave a circle, a doubled name or a name that nothing has', () => {
    const faultsOf = (parts: object): string[] => {
      const read = bookChangeOf(file(parts), empty, newId);
      return 'faults' in read ? read.faults : [];
    };
    expect(
      faultsOf({
        principles: [
          { name: 'A', area: 'back', rests: ['B'] },
          { name: 'B', area: 'back', rests: ['A'] },
        ],
      })[0],
    ).toContain('in a circle: “A” → “B” → “A”');
    expect(faultsOf({ drills: [{ name: 'A' }, { name: 'a' }] })).toEqual(['“a” stands in the file twice.']);
    expect(faultsOf({ principles: [{ name: 'A', area: 'back', rests: ['C'] }] })).toEqual(['“A” rests on “C”, which nothing is called.']);
  });

  it('names the place of what its schema does not take', () => {
    expect(readBookFile({ format: 'lean-mentor/book@1', drills: [{ name: 'A', minutes: 900 }] })).toEqual({
      faults: [expect.stringMatching(/^drills\[0\]\.minutes 900 is not right/)],
    });
  });

  it('goes out and comes in as the same book', () => {
    fc.assert(
      fc.property(book, (given) => {
        const file = {
          ...given,
          principles: given.principles.map((one) => ({ ...one, clips: [], drills: given.drills.map(({ name }) => name) })),
        };
        const read = bookChangeOf(file, empty, newId);
        if ('faults' in read) throw new Error(read.faults.join());
        expect(bookFileOf({ ...(read.change as { principles: BookPrinciple[] } & typeof read.change), clips: [] })).toEqual(file);
      }),
    );
  });
});
