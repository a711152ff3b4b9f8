import { describe, expect, it } from 'vitest';
import { placeWords } from './placeWords.ts';
import { positionCodes, positionFamily } from '../positions/index.ts';

const names = { client: 'Ilse', partner: 'the partner' };

describe('a position in words', () => {
  it('names a guard after who plays it, and of every other one who is in control', () => {
    expect(placeWords({ position: 'closed-guard', holder: 'partner' }, names)).toBe('Ilse’s closed guard');
    expect(placeWords({ position: 'closed-guard', holder: 'client' }, names)).toBe('The partner’s closed guard');
    expect(placeWords({ position: 'mount', holder: 'client' }, names)).toBe('Mount, Ilse in control');
    expect(placeWords({ position: 'standing', holder: null }, names)).toBe('Standing');
    expect(placeWords({ position: 'half-guard', holder: 'partner' }, { client: 'you', partner: 'Jonas' })).toBe('Your half guard');
    expect(placeWords({ position: 'open-guard', holder: 'partner', name: 'Lasso guard' }, names)).toBe('Ilse’s lasso guard');
  });

  it('never says who is in control of a guard', () => {
    const guards = positionCodes.filter((code) => positionFamily(code) === 'guard');
    expect(guards.length).toBeGreaterThan(8);
    for (const position of guards) expect(placeWords({ position, holder: 'client' }, names)).not.toContain('control');
  });
});
