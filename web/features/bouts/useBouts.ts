import type { Bout, Request } from '@lean-mentor/contract';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useRestingSave } from '../../shared/keeping/index.ts';
import type { WireFault } from '../../shared/wire/index.ts';
import { useEditBoutsMutation } from '../footage/index.ts';
import { boutEdits } from './boutEdits.ts';

type ByFootage = Readonly<Record<string, readonly Bout[]>>;

/** Changes rest this long, in ms, before they are saved. */
const restMs = 500;
/** Faults that pass: what could not be saved for them is tried again. */
const passing: ReadonlySet<WireFault['code']> = new Set(['offline', 'unknown', 'busy', 'no-room', 'not-signed-in']);

/** The bouts of all footages of a request, edited here with undo and saved as it happens. */
export function useBouts(request: Request) {
  const fetched = useMemo(() => Object.fromEntries(request.footages.map(({ id, bouts }) => [id, bouts])) as ByFootage, [request]);
  const [edited, setEdited] = useState<{ now: ByFootage; past: ByFootage[]; future: ByFootage[] }>({ now: {}, past: [], future: [] });
  /** What the server has, with its versions, by footage. */
  const known = useRef<Record<string, readonly Bout[]>>({});
  const [send, { isLoading }] = useEditBoutsMutation();
  const [error, setError] = useState<WireFault | null>(null);

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

  const save = useCallback(
    async (now: ByFootage): Promise<boolean> => {
      for (const [footageId, inHand] of Object.entries(now)) {
        const edits = boutEdits(known.current[footageId] ?? fetched[footageId] ?? [], inHand);
        if (edits.length === 0) continue;
        const answer = await send({ footageId, edits });
        const fault = (answer.error as WireFault | undefined) ?? null;
        setError(fault);
        // What is refused is not sent again as it is; the page says why, and the next change is.
        if (fault) return !passing.has(fault.code);
        known.current[footageId] = answer.data!.bouts;
      }
      setError(null);
      return true;
    },
    [fetched, send],
  );
  useRestingSave(edited.now, save, restMs);

  /** Lets what could not be saved go: the bouts are again as the server has them. */
  const letGo = (): void => {
    known.current = {};
    setError(null);
    setEdited({ now: {}, past: [], future: [] });
  };

  return { bouts, put, undo, redo, letGo, canUndo: edited.past.length > 0, canRedo: edited.future.length > 0, error, isSaving: isLoading };
}

export type BoutsInHand = ReturnType<typeof useBouts>;
