import { describe, expect, it } from 'vitest';
import { codingActs, type AttemptBegun } from './codingKeys.ts';
import { eventKeys, paletteRows } from './paletteKeys.ts';

const press = (code: string, { shiftKey = false, repeat = false, attempt = null as AttemptBegun | null } = {}) =>
  codingActs({ code, shiftKey, repeat }, attempt, 40);
const begun: AttemptBegun = { atFrame: 12, athlete: null, technique: null };

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

describe('an attempt', () => {
  it('begins where its key is pressed, asks which and whose, then how it went', () => {
    expect(press('Comma')).toEqual([{ do: 'attempt', attempt: { atFrame: 40, athlete: null, technique: null } }]);
    const named = press('KeyR', { shiftKey: true, attempt: begun });
    expect(named).toEqual([{ do: 'attempt', attempt: { atFrame: 12, athlete: 'partner', technique: 'sweep' } }]);
    const told = { atFrame: 12, athlete: 'partner', technique: 'sweep' } as const;
    expect(press('Digit3', { attempt: told })).toEqual([
      { do: 'event', fields: { kind: 'attempt', athlete: 'partner', technique: 'sweep', outcome: 'failed', close: true }, atFrame: 12 },
      { do: 'attempt', attempt: null },
    ]);
  });

  it('has failed by Enter, and has taken the keys of positions meanwhile', () => {
    const told = { ...begun, athlete: 'client', technique: 'pass' } as const;
    expect(press('Enter', { attempt: told })?.[0]).toMatchObject({ fields: { outcome: 'failed', close: false } });
    expect([press('KeyL', { attempt: begun }), press('KeyL', { attempt: told })]).toEqual([null, null]);
  });
});
