import { describe, expect, it } from 'vitest';
import { emptyTray, trayAfter, type TrayState, type TrayStep } from './traySteps.ts';
import type { TrayItem } from './trayStore.ts';

const item = (frame: number): TrayItem => ({
  requestId: 'r',
  footageId: 'f',
  fromFrame: frame,
  toFrame: null,
  anchorFrame: frame,
  mirrored: false,
  words: `${frame}`,
});
const after = (...steps: TrayStep[]): TrayState => steps.reduce(trayAfter, emptyTray);

describe('the tray', () => {
  it('does not open while nothing lies in it, and closes with the last that is taken out', () => {
    expect(after({ do: 'open' }).shown).toBe(false);
    const two = after({ do: 'add', item: item(1) }, { do: 'add', item: item(2) }, { do: 'open' });
    const one = trayAfter(two, { do: 'drop', at: 0 });
    expect([one.shown, one.items.map(({ words }) => words)]).toEqual([true, ['2']]);
    expect(trayAfter(one, { do: 'drop', at: 0 }).shown).toBe(false);
  });

  it('changes one of them and leaves the others', () => {
    const { items } = after(
      { do: 'add', item: item(1) },
      { do: 'add', item: item(2) },
      { do: 'change', at: 1, fields: { anchorFrame: 9 } },
    );
    expect(items.map(({ anchorFrame }) => anchorFrame)).toEqual([1, 9]);
  });

  it('shows a comparison of a note in its own layout, in place of what lay there', () => {
    const { words: _words, ...kept } = item(5);
    const comparison = { id: 'c', name: 'Then and now', layout: 'over' as const, items: [kept, { ...kept, toFrame: 20 }] };
    const state = after({ do: 'add', item: item(1) }, { do: 'load', comparison });
    expect([state.shown, state.layout, state.items.map(({ words }) => words)]).toEqual([
      true,
      'over',
      ['Then and now 1', 'Then and now 2'],
    ]);
  });
});
