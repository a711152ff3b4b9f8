import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inHandAfter, keysOf, panelOf, topmost, type InHand, type Mode } from './inHand.ts';

const none: Record<Mode, boolean> = {
  note: false,
  range: false,
  link: false,
  drawing: false,
  measure: false,
  positions: false,
  attempt: false,
  score: false,
  tray: false,
  take: false,
  order: false,
  speaking: false,
};
/** The stack after taking things up, or laying them down ("-note"), one after another. */
const after = (...steps: string[]): InHand => {
  const isOn = { ...none };
  return steps.reduce<InHand>((stack, step) => {
    isOn[step.replace('-', '') as Mode] = !step.startsWith('-');
    return inHandAfter(stack, isOn);
  }, []);
};

describe('what is in hand on the desk', () => {
  it('lies in the order in which it was taken up, and Esc closes the topmost', () => {
    expect(topmost(after('note', 'tray'))).toBe('tray');
    expect(topmost(after('note', 'tray', '-tray'))).toBe('note');
    expect(topmost(after('score', 'note'))).toBe('note');
    expect(topmost(after('note', 'score'))).toBe('score');
    expect(topmost(after())).toBeUndefined();
  });

  it('gives the room under the stage to the topmost that needs it', () => {
    expect(panelOf(after('score', 'note'))).toBe('note');
    expect(panelOf(after('note', 'score'))).toBe('score');
    expect(panelOf(after('note', 'drawing'))).toBe('note');
    expect(panelOf(after('positions', 'measure'))).toBe('measure');
    expect(panelOf(after('drawing'))).toBeNull();
    expect(panelOf(after('note', 'take', '-take', 'speaking'))).toBe('note');
  });

  it('gives the keys to the palette only while it is seen, and to the tray while that lies over everything', () => {
    expect(keysOf(after('positions'))).toBe('palette');
    expect(keysOf(after('positions', 'attempt'))).toBe('palette');
    expect(keysOf(after('positions', 'note'))).toBe('desk');
    expect(keysOf(after('positions', 'note', '-note'))).toBe('palette');
    expect(keysOf(after('positions', 'tray'))).toBe('tray');
  });

  it('holds just what is on, each once, and laying all down one by one from the top ends with nothing (any order)', () => {
    const modes = Object.keys(none) as Mode[];
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(...modes), fc.boolean()), { maxLength: 40 }), (steps) => {
        const isOn = { ...none };
        let stack: InHand = [];
        for (const [mode, on] of steps) {
          isOn[mode] = on;
          stack = inHandAfter(stack, isOn);
          expect([...stack].sort()).toEqual(modes.filter((one) => isOn[one]).sort());
        }
        for (let top = topmost(stack); top; top = topmost(stack)) {
          isOn[top] = false;
          const less = inHandAfter(stack, isOn);
          expect(less).toEqual(stack.slice(0, -1));
          stack = less;
        }
      }),
    );
  });

  it('is the same stack while nothing changes, so that nothing is drawn again', () => {
    const stack = after('note', 'tray');
    expect(inHandAfter(stack, { ...none, note: true, tray: true })).toBe(stack);
  });
});
