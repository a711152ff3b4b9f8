import type { Bout, Request } from '@lean-mentor/contract';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useSaveBoutsMutation } from '../footage/index.ts';

type ByFootage = Readonly<Record<string, readonly Bout[]>>;

/** Changes rest this long, in ms, before they are saved. */
const restMs = 500;

/** The bouts of all footages of a request, edited here with undo and saved as it happens. */
export function useBouts(request: Request) {
  const fetched = useMemo(() => Object.fromEntries(request.footages.map(({ id, bouts }) => [id, bouts])) as ByFootage, [request]);
  const [edited, setEdited] = useState<{ now: ByFootage; past: ByFootage[]; future: ByFootage[] }>({ now: {}, past: [], future: [] });
  const saved = useRef<Record<string, readonly Bout[]>>({});
  const [save, { error, isLoading }] = useSaveBoutsMutation();

  const bouts = useMemo(() => ({ ...fetched, ...edited.now }), [fetched, edited.now]);

  /** Puts bouts in the place of a footage's present ones; footages that are not named stay. One step for undo. */
  const put = useCallback(
    (next: ByFootage): void =>
      setEdited(({ now, past }) => {
        const before = Object.fromEntries(Object.keys(next).map((id) => [id, now[id] ?? fetched[id] ?? []]));
        return { now: { ...now, ...next }, past: [...past, { ...before, ...now }], future: [] };
      }),
    [fetched],
  );
  const undo = (): void =>
    setEdited(({ now, past, future }) =>
      past.length === 0 ? { now, past, future } : { now: past[past.length - 1]!, past: past.slice(0, -1), future: [...future, now] },
    );
  const redo = (): void =>
    setEdited(({ now, past, future }) =>
      future.length === 0 ? { now, past, future } : { now: future[future.length - 1]!, past: [...past, now], future: future.slice(0, -1) },
    );

  useEffect(() => {
    const changed = Object.entries(edited.now).filter(([id, list]) => saved.current[id] !== list);
    if (changed.length === 0) return;
    const timer = setTimeout(() => {
      for (const [footageId, list] of changed)
        void save({ footageId, bouts: [...list] }).then((answer) => {
          if (!answer.error) saved.current[footageId] = list;
        });
    }, restMs);
    return () => clearTimeout(timer);
  }, [edited.now, save]);

  return { bouts, put, undo, redo, canUndo: edited.past.length > 0, canRedo: edited.future.length > 0, error, isSaving: isLoading };
}

export type BoutsInHand = ReturnType<typeof useBouts>;
