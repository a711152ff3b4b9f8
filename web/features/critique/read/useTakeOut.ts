import { takeExport, type CritiqueExport } from '@lean-mentor/contract';
import { useCallback, useState } from 'react';
import { useDispatch } from 'react-redux';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { downloadFrom } from '../../../shared/download.ts';
import { addressOf, faultWords } from '../../../shared/wire/index.ts';
import { critiqueApi } from '../api.ts';

/** How often it is asked how far an export has come, in ms. */
const askAgainMs = 600;

/** What is being made: its place in the line while it waits, and why it was not made. */
export type TakingOut = { as: CritiqueExport } & ({ state: 'making'; place: number | null } | { state: 'failed'; words: string });

/** Has a critique made to take along, says how far it is, and hands the file over once it is there. */
export function useTakeOut(critiqueId: string): { taking: TakingOut | null; take: (as: CritiqueExport) => void } {
  const dispatch = useDispatch<ThunkDispatch<unknown, unknown, UnknownAction>>();
  const [taking, setTaking] = useState<TakingOut | null>(null);
  const take = useCallback(
    async (as: CritiqueExport): Promise<void> => {
      const failed = (words: string): void => setTaking({ as, state: 'failed', words });
      setTaking({ as, state: 'making', place: null });
      const asked = await dispatch(critiqueApi.endpoints.askExport.initiate({ critiqueId, as }));
      if (!asked.data) return failed(faultWords(asked.error));
      for (let now = asked.data; ;) {
        if (now.state === 'failed') return failed('This could not be made. Ask for it again.');
        if (now.state === 'ready') break;
        setTaking({ as, state: 'making', place: now.place });
        await new Promise((resolve) => setTimeout(resolve, askAgainMs));
        const answer = await dispatch(
          critiqueApi.endpoints.getExport.initiate({ critiqueId, exportId: now.id }, { forceRefetch: true, subscribe: false }),
        );
        // What cannot be reached for a moment is asked for again.
        if (answer.data) now = answer.data;
        else if ((answer.error as { code?: string } | undefined)?.code === 'not-found') return failed(faultWords(answer.error));
      }
      const { id, fileName } = asked.data;
      downloadFrom(addressOf(takeExport, { critiqueId, exportId: id }), fileName);
      setTaking(null);
    },
    [critiqueId, dispatch],
  );
  return { taking, take: (as) => void take(as) };
}
