import type { Comparison } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { DeskScene } from '../DeskScene.ts';
import { keepTray, mostItems, readTray, type TrayItem } from './trayStore.ts';

export interface TrayHand {
  items: readonly TrayItem[];
  layout: Comparison['layout'];
  shown: boolean;
  setLayout: (layout: Comparison['layout']) => void;
  /** Puts the present frame into the tray. */
  addFrame: () => void;
  change: (at: number, fields: Partial<TrayItem>) => void;
  drop: (at: number) => void;
  clear: () => void;
  open: () => void;
  close: () => void;
  /** Opens a comparison that was attached to a note. */
  load: (comparison: Comparison) => void;
}

/** The compare tray: frames of this and other requests of the same client, laid beside each other. */
export function useTray({ subject, footage, player, boutAt, secondsAt }: DeskScene): TrayHand {
  const clientId = subject.client.id;
  const [items, setItems] = useState(() => readTray(clientId));
  const [layout, setLayout] = useState<Comparison['layout']>('side');
  const [shown, setShown] = useState(false);
  return useMemo<TrayHand>(() => {
    const put = (next: TrayItem[]): void => {
      keepTray(clientId, next);
      setItems(next);
      if (next.length === 0) setShown(false);
    };
    return {
      items,
      layout,
      shown,
      setLayout,
      addFrame: () => {
        if (items.length >= mostItems) return void toast.warning('Four is the most. Take one out of the tray first.');
        const frame = player?.snapshot().frame ?? 0;
        const clock = clockText(secondsAt(frame) - secondsAt(boutAt(frame)?.fromFrame ?? 0));
        const words = `${format(subject.request.sentAt, 'd MMM')}, ${clock}`;
        put([
          ...items,
          {
            requestId: subject.request.id,
            footageId: footage.id,
            fromFrame: frame,
            toFrame: null,
            anchorFrame: frame,
            mirrored: false,
            words,
          },
        ]);
        toast(items.length === 0 ? 'In the tray. Put a second frame beside it.' : 'In the tray.');
      },
      change: (at, fields) => put(items.map((item, i) => (i === at ? { ...item, ...fields } : item))),
      drop: (at) => put(items.filter((_, i) => i !== at)),
      clear: () => put([]),
      open: () => setShown(items.length > 0),
      close: () => setShown(false),
      load: (comparison) => {
        put(comparison.items.map((item, i) => ({ ...item, words: `${comparison.name} ${i + 1}` })));
        setLayout(comparison.layout);
        setShown(true);
      },
    };
  }, [items, layout, shown, clientId, subject.request, footage.id, player, boutAt, secondsAt]);
}
