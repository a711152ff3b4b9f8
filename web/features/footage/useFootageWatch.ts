import { watchFootages, type FootageProgress } from '@lean-mentor/contract';
import { useEffect } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { baseApi } from '../../shared/wire/index.ts';
import { footageProgressSlice, progressHeard } from './progressSlice.ts';

/** Listens to the server's events about footage while mounted; the browser reconnects by itself. */
export function useFootageWatch(): void {
  const dispatch = useDispatch();
  useEffect(() => {
    const source = new EventSource(watchFootages.path);
    const states = new Map<string, string>();
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const progress = JSON.parse(data) as FootageProgress;
      dispatch(progressHeard(progress));
      // A change of state changes more than progress (size, length, bouts, place in the plan): what shows requests asks again.
      const before = states.get(progress.id);
      const now = progress.soFar ? 'lookable' : progress.state;
      states.set(progress.id, now);
      if (before !== now) dispatch(baseApi.util.invalidateTags(['request']));
    };
    const close = (): void => source.close();
    // A page that the browser keeps for the way back must not keep its connection.
    addEventListener('pagehide', close);
    return () => {
      removeEventListener('pagehide', close);
      close();
    };
  }, [dispatch]);
}

type Watched = { [footageProgressSlice.name]: Record<string, FootageProgress> };

/** Fetched as ready is newer than anything heard before. */
const newest = (state: Watched, fetched: FootageProgress): FootageProgress =>
  fetched.state === 'ready' ? fetched : (state[footageProgressSlice.name][fetched.id] ?? fetched);

/** Can be looked at: ready, or some of it while the rest is being made. */
export const isLookable = ({ state, soFar }: FootageProgress): boolean => state === 'ready' || soFar !== null;

/** Whether any of these footages can be looked at by now. */
export const useLookable = (fetched: readonly FootageProgress[]): boolean =>
  useSelector((state: Watched) => fetched.some((footage) => isLookable(newest(state, footage))));

/** The newest progress of a footage: what was heard since, or what it was fetched with. */
export const useProgress = (fetched: FootageProgress): FootageProgress => useSelector((state: Watched) => newest(state, fetched));
