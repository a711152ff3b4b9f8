import { describe, expect, it } from 'vitest';
import { canBeGiven, keyGiven, keyWords, readKeyMap, usualKeys } from './deskKeys.ts';

describe('keys of the desk', () => {
  it('change places with the one that had the key before, so that nothing is without a key', () => {
    const map = keyGiven(usualKeys, 'runBack', 'KeyA');
    expect(map.runBack).toBe('KeyA');
    expect(map.back).toBe('KeyQ');
    expect(new Set(Object.values(map)).size).toBe(Object.keys(usualKeys).length);
  });

  it('can be moved to a free place, whatever letter stands there', () => {
    expect(keyGiven(usualKeys, 'mark', 'Semicolon')).toEqual({ ...usualKeys, mark: 'Semicolon' });
  });

  it('leave what finishes, leaves and chooses tools alone', () => {
    for (const code of ['Enter', 'Escape', 'Digit3', 'Tab', 'ShiftLeft', 'F5', '']) expect([code, canBeGiven(code)]).toEqual([code, false]);
    for (const code of ['KeyP', 'Space', 'Comma', 'ArrowLeft', 'Numpad4']) expect([code, canBeGiven(code)]).toEqual([code, true]);
  });

  it('are as usual where what was written down is not a map', () => {
    for (const written of [null, 'x', 7, { mark: 3, nothing: 'KeyP' }, { mark: 'Escape' }]) expect(readKeyMap(written)).toEqual(usualKeys);
    expect(readKeyMap({ mark: 'KeyP', write: 'KeyP' })).toMatchObject({ write: 'KeyP', mark: 'KeyF' });
  });

  it('are called by what stands on them', () => {
    expect([keyWords('KeyQ'), keyWords('Space'), keyWords('ArrowLeft')]).toEqual(['Q', 'Space', 'Arrow Left']);
  });
});
