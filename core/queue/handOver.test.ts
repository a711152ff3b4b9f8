import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { actsOf, afterAct, handOverActs, handOverStates, needsWord, type HandOverState } from './index.ts';

describe('work that is handed over', () => {
  it('is done and offered, or sent back with a word, by who got it; taken, or sent back with a word, by who gave it', () => {
    expect(actsOf('asked', 'doer')).toEqual(['offer', 'decline']);
    expect(actsOf('asked', 'giver')).toEqual(['take-back']);
    expect(actsOf('offered', 'doer')).toEqual([]);
    expect(actsOf('offered', 'giver')).toEqual(['take', 'send-back', 'take-back']);
    expect(handOverActs.filter(needsWord)).toEqual(['decline', 'send-back']);
  });

  it('comes to one end and stays there, whoever does what in whatever order', () => {
    const steps = fc.array(fc.tuple(fc.constantFrom(...handOverActs), fc.constantFrom('giver' as const, 'doer' as const)), {
      maxLength: 30,
    });
    fc.assert(
      fc.property(steps, (acts) => {
        let state: HandOverState = 'asked';
        for (const [act, side] of acts) {
          const ended = ['taken', 'declined', 'taken-back'].includes(state);
          const next = afterAct(state, act, side);
          if (ended) expect(next).toBeNull();
          state = next ?? state;
        }
        expect(handOverStates).toContain(state);
      }),
    );
  });
});
