import { describe, expect, it } from 'vitest';
import { codingActs, takesLetters, type Asked, type AttemptBegun, type CodingAct } from './codingKeys.ts';
import { eventKeys, paletteRows } from './paletteKeys.ts';

const press = (code: string, { shiftKey = false, repeat = false, asked = null as Asked | null } = {}) =>
  codingActs({ code, shiftKey, repeat }, asked, 40);
const attempting = (attempt: AttemptBegun): Asked => ({ of: 'attempt', attempt });
const begun: AttemptBegun = { atFrame: 12, athlete: null, technique: null, letters: '', choice: 0 };

describe('the palette’s keys', () => {
  it('name a position for the client, with Shift for the partner', () => {
    for (const { keys } of paletteRows)
      for (const [code, position] of keys) {
        expect(press(code)).toEqual([{ do: 'put', position, partnerHolds: false }]);
        expect(press(code, { shiftKey: true })).toEqual([{ do: 'put', position, partnerHolds: true }]);
      }
  });

  it('are each one key’s: no position shares one with another or with what happens', () => {
    const all = [...paletteRows.flatMap(({ keys }) => keys.map(([code]) => code)), ...eventKeys.map(([code]) => code)];
    expect(new Set(all).size).toBe(all.length);
  });

  it('tell what happened on the frame that is shown', () => {
    expect(press('Minus', { shiftKey: true })).toEqual([{ do: 'event', fields: { kind: 'penalty', athlete: 'partner' }, atFrame: 40 }]);
    expect(press('Equal')).toEqual([{ do: 'event', fields: { kind: 'finish', athlete: 'client', technique: '' }, atFrame: 40 }]);
    expect([press('Slash'), press('Backquote')]).toEqual([[{ do: 'stopOrRestart' }], [{ do: 'bringEdge' }]]);
  });

  it('act once while they are held, and leave other keys alone', () => {
    expect(press('KeyL', { repeat: true })).toEqual([]);
    expect([press('F5'), press('Tab'), press('KeyQ')]).toEqual([null, null, null]);
  });
});

/** What is asked after a row of keys, and everything that they did but ask. */
function typed(...codes: string[]): { asked: Asked | null; did: CodingAct[] } {
  let asked: Asked | null = null;
  const did: CodingAct[] = [];
  for (const code of codes)
    for (const act of press(code, { asked }) ?? []) {
      if (act.do === 'ask') asked = act.asked;
      else did.push(act);
    }
  return { asked, did };
}

describe('an attempt', () => {
  it('begins where its key is pressed, asks which and whose, then how it went', () => {
    const blank = { letters: '', choice: 0 };
    expect(press('Comma')).toEqual([{ do: 'ask', asked: attempting({ atFrame: 40, athlete: null, technique: null, ...blank }) }]);
    const named = press('KeyR', { shiftKey: true, asked: attempting(begun) });
    const told: AttemptBegun = { atFrame: 12, athlete: 'partner', technique: 'sweep', ...blank };
    expect(named).toEqual([{ do: 'ask', asked: attempting(told) }]);
    expect(press('Digit3', { asked: attempting(told) })).toEqual([
      { do: 'attempted', attempt: told, outcome: { outcome: 'failed', close: true } },
      { do: 'ask', asked: null },
    ]);
  });

  it('has failed by Enter, and has taken the keys of positions meanwhile', () => {
    const told = { ...begun, athlete: 'client', technique: 'pass' } as const;
    expect(press('Enter', { asked: attempting(told) })?.[0]).toMatchObject({ outcome: { outcome: 'failed', close: false } });
    expect(press('KeyL', { asked: attempting(begun) })).toBeNull();
  });

  it('takes two letters of its name in between, of keys that play the video too', () => {
    expect(typed('Comma', 'KeyP', 'KeyK', 'KeyC', 'Digit1').did).toMatchObject([
      { do: 'attempted', attempt: { technique: 'pass', letters: 'kc' } },
    ]);
    expect(typed('Comma', 'KeyP', 'KeyS', 'KeyD').asked).toMatchObject({ attempt: { letters: 'sd' } });
    // A third letter begins anew; Period takes the next of those that are found, Backspace a letter back.
    expect(typed('Comma', 'KeyP', 'KeyK', 'KeyC', 'KeyL').asked).toMatchObject({ attempt: { letters: 'l' } });
    expect(typed('Comma', 'KeyP', 'KeyK', 'KeyC', 'Period').asked).toMatchObject({ attempt: { letters: 'kc', choice: 1 } });
    expect(typed('Comma', 'KeyP', 'KeyK', 'Backspace').asked).toMatchObject({ attempt: { letters: '' } });
  });
});

describe('a name', () => {
  it('is asked for by Enter and found by two letters; the next key goes on as ever', () => {
    const { asked, did } = typed('Enter', 'KeyL', 'KeyD');
    expect(did).toEqual([{ do: 'name', letters: 'ld', choice: 0 }]);
    expect(asked).toMatchObject({ of: 'name', letters: 'l' });
    expect(press('KeyL', { asked: { of: 'name', letters: 'ld', choice: 0 } })).toEqual([
      { do: 'ask', asked: null },
      { do: 'put', position: 'mount', partnerHolds: false },
    ]);
    expect(press('Period', { asked: { of: 'name', letters: 'ld', choice: 0 } })).toEqual([{ do: 'name', letters: 'ld', choice: 1 }]);
  });

  it('takes the keys that play the video only while letters are missing', () => {
    expect(takesLetters({ of: 'name', letters: 's', choice: 0 })).toBe(true);
    expect(takesLetters({ of: 'name', letters: 'sl', choice: 0 })).toBe(false);
    expect([takesLetters(null), takesLetters({ of: 'posture' }), takesLetters(attempting(begun))]).toEqual([false, false, false]);
  });
});

describe('posture and attacks', () => {
  it('posture is said by its key and one more, of hands with Shift the partner’s', () => {
    expect(typed('Digit0', 'KeyK').did).toEqual([{ do: 'posture', posture: { top: 'knees' } }]);
    expect(press('KeyN', { shiftKey: true, asked: { of: 'posture' } })?.[0]).toEqual({ do: 'posture', posture: { inside: 'partner' } });
    // Whoever goes on codes on.
    expect(press('KeyL', { asked: { of: 'posture' } })).toMatchObject([
      { do: 'ask', asked: null },
      { do: 'put', position: 'mount' },
    ]);
  });

  it('an attack begins and ends by one key, is tight by another, and its end is told by a digit or not at all', () => {
    expect(press('Digit9')).toEqual([{ do: 'threat', athlete: 'client' }]);
    expect(press('Digit9', { shiftKey: true })).toEqual([{ do: 'threat', athlete: 'partner' }]);
    expect(press('Backslash')).toEqual([{ do: 'lock', athlete: 'client' }]);
    const asked: Asked = { of: 'ended', threatId: 't' };
    expect(press('Digit1', { asked })?.[0]).toEqual({ do: 'ended', threatId: 't', ended: 'tap' });
    expect(press('KeyL', { asked })).toMatchObject([{ do: 'ask', asked: null }, { do: 'put' }]);
  });
});
