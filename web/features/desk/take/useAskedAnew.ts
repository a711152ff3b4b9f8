import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { useListTakesQuery } from '../../takes/index.ts';
import type { TakeControls } from './useTake.ts';

/** Where the desk is opened to say a take anew from an instant of it, at the frame that was seen then. */
export const anewAddress = (requestId: string, footageId: string, takeId: string, from: number, frame: number): string =>
  `/requests/${requestId}/desk?${new URLSearchParams({ footage: footageId, frame: String(frame), anew: takeId, from: from.toFixed(3) }).toString()}`;

/** Opens the microphone for the take that the address names, to be gone on with from the instant that it names; once. */
export function useAskedAnew(requestId: string, { state, arm }: Pick<TakeControls, 'state' | 'arm'>): void {
  const [search, setSearch] = useSearchParams();
  const takeId = search.get('anew');
  const { data } = useListTakesQuery(requestId, { skip: takeId === null });
  const recording = data?.find(({ id }) => id === takeId);
  const from = Number(search.get('from'));
  const free = state.phase === 'away';
  useEffect(() => {
    if (recording?.state !== 'ready' || !free) return;
    arm({ takeId: recording.id, seconds: recording.seconds, pieces: recording.pieces, from });
    setSearch(
      (now) => {
        now.delete('anew');
        now.delete('from');
        return now;
      },
      { replace: true },
    );
  }, [recording, free, from, arm, setSearch]);
}
