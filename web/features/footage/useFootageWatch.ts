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
      // A change of state changes more than progress (length, bouts, place in the plan): what shows requests asks again.
      const before = states.get(progress.id);
      states.set(progress.id, progress.state);
      if (before !== progress.state) dispatch(baseApi.util.invalidateTags(['request']));
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

/** The newest progress of a footage: what was heard since, or what it was fetched with. */
export function useProgress(fetched: FootageProgress): FootageProgress {
  const heard = useSelector((state: Watched) => state[footageProgressSlice.name][fetched.id]);
  // Fetched as ready is newer than anything heard before.
  return fetched.state === 'ready' || !heard ? fetched : heard;
}
