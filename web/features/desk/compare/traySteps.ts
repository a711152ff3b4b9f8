import { assertNever } from '@lean-mentor/core/never';
import type { Comparison } from '@lean-mentor/core/desk';
import type { TrayItem } from './trayStore.ts';

export interface TrayState {
  items: readonly TrayItem[];
  layout: Comparison['layout'];
  shown: boolean;
}

export const emptyTray: TrayState = { items: [], layout: 'side', shown: false };

export type TrayStep =
  | { do: 'add'; item: TrayItem }
  | { do: 'change'; at: number; fields: Partial<TrayItem> }
  | { do: 'drop'; at: number }
  | { do: 'layout'; layout: Comparison['layout'] }
  | { do: 'open' }
  | { do: 'close' }
  /** Opens a comparison that was attached to a note. */
  | { do: 'load'; comparison: Comparison };

/** What a step leads to: an empty tray is not shown. */
export function trayAfter(state: TrayState, step: TrayStep): TrayState {
  const { items } = state;
  switch (step.do) {
    case 'add':
      return { ...state, items: [...items, step.item] };
    case 'change':
      return { ...state, items: items.map((item, i) => (i === step.at ? { ...item, ...step.fields } : item)) };
    case 'drop': {
      const left = items.filter((_, i) => i !== step.at);
      return { ...state, items: left, shown: state.shown && left.length > 0 };
    }
    case 'layout':
      return { ...state, layout: step.layout };
    case 'open':
      return { ...state, shown: items.length > 0 };
    case 'close':
      return { ...state, shown: false };
    case 'load': {
      const { name, layout } = step.comparison;
      return { items: step.comparison.items.map((item, i) => ({ ...item, words: `${name} ${i + 1}` })), layout, shown: true };
    }
    default:
      return assertNever(step);
  }
}
