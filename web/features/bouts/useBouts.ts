import type { Request } from '@lean-mentor/contract';
import { useMemo, useState } from 'react';
import { useKept } from '../../shared/keeping/index.ts';
import { useEditBoutsMutation } from '../footage/index.ts';
import { keptBouts, type BoutsByFootage } from './keptBouts.ts';

interface Edited {
  now: BoutsByFootage;
  past: BoutsByFootage[];
  future: BoutsByFootage[];
}

/** The bouts of all footages of a request, edited here with undo and saved as it happens. */
export function useBouts(request: Request) {
  const fetched = useMemo(() => Object.fromEntries(request.footages.map(({ id, bouts }) => [id, bouts])) as BoutsByFootage, [request]);
  const [send] = useEditBoutsMutation();
  const [kept, keeping] = useKept(() => keptBouts(request.id, send));
  const [{ now, past, future }, setEdited] = useState<Edited>(() => ({ now: kept.unsaved()?.inHand ?? {}, past: [], future: [] }));
  const bouts = useMemo(() => ({ ...fetched, ...now }), [fetched, now]);

  const become = (next: Edited): void => {
    setEdited(next);
    kept.putBouts(next.now, fetched);
  };
  /** Puts bouts in the place of a footage's present ones; footages that are not named stay. One step for undo. */
  const put = (next: BoutsByFootage): void => {
    const before = Object.fromEntries(Object.keys(next).map((id) => [id, now[id] ?? fetched[id] ?? []]));
    become({ now: { ...now, ...next }, past: [...past, { ...before, ...now }], future: [] });
  };
  const undo = (): void => {
    const last = past.at(-1);
    if (last) become({ now: last, past: past.slice(0, -1), future: [...future, now] });
  };
  const redo = (): void => {
    const next = future.at(-1);
    if (next) become({ now: next, past: [...past, now], future: future.slice(0, -1) });
  };
  /** Lets what could not be saved go: the bouts are again as the server has them. */
  const letGo = (): void => {
    kept.dropBouts();
    setEdited({ now: {}, past: [], future: [] });
  };
  return { bouts, put, undo, redo, letGo, canUndo: past.length > 0, canRedo: future.length > 0, keeping };
}

export type BoutsControls = ReturnType<typeof useBouts>;
