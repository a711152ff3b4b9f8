import type { Comparison } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import type { TakeComparison } from '@lean-mentor/core/takes';
import { useMemo, useRef } from 'react';
import { toast } from 'sonner';
import type { DeskScene } from '../DeskScene.ts';
import { useLatestState } from '../useLatestState.ts';
import { emptyTray, trayAfter, type TrayState, type TrayStep } from './traySteps.ts';
import { keepTray, mostItems, readTray } from './trayStore.ts';

export interface TrayControls extends TrayState {
  step: (step: Exclude<TrayStep, { do: 'add' }>) => void;
  /** Puts the present frame into the tray, or the range that is given: it plays there over and over. */
  add: (range?: { fromFrame: number; toFrame: number } | null) => void;
  /** The tray tells what it shows at this moment, for whoever asks; null while it is closed. */
  tellSeen: (seen: TakeComparison | null) => void;
  seen: () => TakeComparison | null;
}

/** The compare tray: frames of this and other requests of the same client, laid beside each other. */
export function useTray({ subject, footage, player, boutAt, secondsAt }: DeskScene): TrayControls {
  const clientId = subject.client.id;
  const { request } = subject;
  const [state, now, set] = useLatestState<TrayState>(() => ({ ...emptyTray, items: readTray(clientId) }));
  const shown = useRef<TakeComparison | null>(null);
  return useMemo<TrayControls>(() => {
    const step = (one: TrayStep): void => {
      const next = trayAfter(now(), one);
      if (next.items !== now().items) keepTray(clientId, next.items);
      set(next);
    };
    return {
      ...state,
      tellSeen: (seen) => {
        shown.current = seen;
      },
      seen: () => shown.current,
      step,
      add: (range = null) => {
        if (now().items.length >= mostItems) return void toast.warning('Four is the most. Take one out of the tray first.');
        const frame = range?.fromFrame ?? player?.snapshot().frame ?? 0;
        const clockOf = (at: number): string => clockText(secondsAt(at) - secondsAt(boutAt(frame)?.fromFrame ?? 0));
        const clock = range ? `${clockOf(range.fromFrame)}–${clockOf(range.toFrame)}` : clockOf(frame);
        const item = {
          requestId: request.id,
          footageId: footage.id,
          fromFrame: frame,
          toFrame: range?.toFrame ?? null,
          anchorFrame: frame,
          mirrored: false,
          words: `${format(request.sentAt, 'd MMM')}, ${clock}`,
        };
        toast(now().items.length === 0 ? 'In the tray. Put a second one beside it.' : 'In the tray.');
        step({ do: 'add', item });
      },
    };
  }, [state, now, set, clientId, request, footage.id, player, boutAt, secondsAt]);
}

/** A comparison as it is kept with a note. */
export const comparisonOf = ({ items, layout }: Pick<TrayState, 'items' | 'layout'>): Omit<Comparison, 'id'> => ({
  name: items
    .map((item) => item.words)
    .join(' and ')
    .slice(0, 120),
  layout,
  items: items.map(({ words: _words, ...item }) => item),
});
