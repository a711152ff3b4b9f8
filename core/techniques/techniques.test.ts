import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { positionCodes } from '../positions/index.ts';
import {
  broaderOf,
  fittingTechniques,
  techniqueNamed,
  techniques,
  techniquesByLetters,
  techniquesIn,
  type Named,
  type Technique,
} from './index.ts';
import { nameKey, readTable } from './readTable.ts';

const acts: Readonly<Record<string, string>> = {
  ...{ takedown: 'takedown', pass: 'pass', sweep: 'sweep', 'back take': 'back-take', escape: 'escape', finish: 'finish' },
};
/** How an entry is named on the desk: as a stretch, or as what was tried. */
const namedAs = ({ kind, parents: [position = 'standing'] }: Technique): Named =>
  acts[kind] ? { of: 'act', technique: acts[kind], position } : { of: 'span', position };

describe('the table of techniques', () => {
  it('has every name once, whoever’s it is', () => {
    const names = techniques.flatMap(({ name, aliases }) => [name, ...aliases]).map(nameKey);
    expect(names.filter((name, i) => names.indexOf(name) < i)).toEqual([]);
    expect(techniques.length).toBeGreaterThanOrEqual(250);
  });

  it('finds each entry by each of its names, however they are written', () => {
    for (const one of techniques)
      for (const name of [one.name, ...one.aliases]) {
        expect(techniqueNamed(name)).toBe(one);
        expect(techniqueNamed(`  ${name.toUpperCase().replaceAll(' ', '-')} `)).toBe(one);
      }
    expect(techniqueNamed('kneebars')).toBeNull();
    expect(techniqueNamed('Knee bars')?.name).toBe('Knee bar');
  });

  it.each([
    ['heel hook', 'Twisting leg lock'],
    ['armbar', 'Armlock'],
    ['bent arm lock', 'Kimura'],
    ['rear naked choke', 'Rear choke'],
    ['de la Riva', 'Outside-hook guard'],
    ['Z-guard', 'Knee-shield half guard'],
    ['head and arm choke', 'Arm triangle'],
    ['kesa gatame', 'Scarf hold'],
    ['single leg', 'Single leg takedown'],
    ['held single leg', 'Single leg, held'],
    ['toreando', 'Bullfighter pass'],
  ])('calls “%s” %s', (said, name) => expect(techniqueNamed(said)?.name).toBe(name));

  it('names a position for each entry, and a broader entry that is there and ends somewhere', () => {
    for (const one of techniques) {
      expect(one.parents, one.name).not.toEqual([]);
      const chain = broaderOf(one);
      expect(chain.at(-1)!.under, one.name).toBeNull();
      expect(new Set(chain).size).toBe(chain.length);
    }
  });

  it('has a guard, pin or hold to call a stretch of each position by, but for those that are what they are', () => {
    const without = positionCodes.filter((position) => fittingTechniques({ of: 'span', position }).length === 0);
    expect(without).toEqual(['both-seated', 'scramble']);
  });

  it('asks something of the one it is done to in every lock, strangle and throw', () => {
    for (const one of techniques)
      if (one.kind === 'finish' || one.caution !== 'general') expect([...one.loads.doer, ...one.loads.partner], one.name).not.toEqual([]);
    for (const one of techniques) if (one.kind === 'finish') expect(one.loads.partner, one.name).not.toEqual([]);
  });

  it.each([
    ['X | | nowhere | | general', '“nowhere” is no position'],
    ['X | | mount | | harmless', '“harmless” is no caution class'],
    ['X | | mount | | general | knee wobbled', '“knee wobbled” is no part'],
    ['X | | mount | | general | knee', '“knee” is no part'],
    ['X | | mount | | general | | | whenever', '“whenever” keeps it from nobody'],
  ])('refuses the line “%s”', (line, words) => expect(() => readTable('pin', line)).toThrow(words));
});

describe('two letters', () => {
  it('find every entry among the first five, where the coach has used none yet', () => {
    const rank = (one: Technique): number =>
      Math.min(
        ...[one.name, ...one.aliases].flatMap((name) => {
          const words = nameKey(name).split(' ');
          const letters = [
            words.join('').slice(0, 2),
            words
              .map((word) => word[0])
              .join('')
              .slice(0, 2),
            ...words.map((word) => word.slice(0, 2)),
          ];
          return letters
            .filter((two) => two.length === 2)
            .map((two) => techniquesByLetters(two, namedAs(one), {}).indexOf(one))
            .map((at) => (at < 0 ? 99 : at));
        }),
      );
    expect(techniques.filter((one) => rank(one) > 4).map(({ name }) => name)).toEqual([]);
    expect(techniques.filter((one) => rank(one) === 0).length / techniques.length).toBeGreaterThan(0.95);
  });

  it('find what the coach used most first', () => {
    const named: Named = { of: 'act', technique: 'pass', position: 'half-guard' };
    expect(techniquesByLetters('kc', named, {})[0]!.name).toBe('Knee cut');
    expect(techniquesByLetters('kc', named, { 'Knee cut with the underhook': 7, 'Knee cut': 2 })[0]!.name).toBe(
      'Knee cut with the underhook',
    );
  });

  it('find only what fits: for a stretch what is met there, for an attempt what is of its kind', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[a-z]{1,2}$/), fc.constantFrom(...positionCodes), (letters, position) => {
        for (const one of techniquesByLetters(letters, { of: 'span', position }, {})) expect(one.parents).toContain(position);
        for (const one of techniquesByLetters(letters, { of: 'act', technique: 'finish', position }, {})) expect(one.kind).toBe('finish');
      }),
    );
    expect(fittingTechniques({ of: 'act', technique: 'stroll', position: 'mount' })).toEqual([]);
  });

  it('call a butterfly guard by its name, out of the open or the seated guard, and a held single leg out of the clinch', () => {
    for (const position of ['open-guard', 'seated-guard'] as const)
      expect(techniquesByLetters('bu', { of: 'span', position }, {})[0]!.name).toBe('Butterfly guard');
    expect(techniquesByLetters('sl', { of: 'span', position: 'clinch' }, {})[0]!.name).toBe('Single leg, held');
  });
});

describe('techniques in free words', () => {
  it('are those of several words, and of one word the locks and strangles', () => {
    const named = (words: string) => techniquesIn(words).map(({ name }) => name);
    expect(named('From the knee cut he takes the kimura, then a rear naked choke.')).toEqual(['Knee cut', 'Kimura', 'Rear choke']);
    expect(named('Stack the frames and float')).toEqual([]);
    expect(named('Heel hooks')).toEqual(['Twisting leg lock']);
    expect(named('')).toEqual([]);
  });
});
