import type { ResponseOf, getTakeLog } from '@lean-mentor/contract';
import { useEffect, useMemo } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { takesApi } from './api.ts';

type Log = ResponseOf<typeof getTakeLog>;
type State = Parameters<ReturnType<typeof takesApi.endpoints.getTakeLog.select>>[0];
type Ask = (of: ReturnType<typeof takesApi.endpoints.getTakeLog.initiate>) => { unsubscribe: () => void };

/** What was done during several takes of a request, by take: those whose logs have come. */
export function useTakeLogs(requestId: string, takeIds: readonly string[]): ReadonlyMap<string, Log> {
  const ask = useDispatch() as unknown as Ask;
  const names = takeIds.join(' ');
  useEffect(() => {
    const asked = names.split(' ').filter(Boolean);
    const logs = asked.map((takeId) => ask(takesApi.endpoints.getTakeLog.initiate({ requestId, takeId })));
    return () => {
      for (const log of logs) log.unsubscribe();
    };
  }, [ask, requestId, names]);
  const come = useSelector(
    (state: State) => takeIds.map((takeId) => takesApi.endpoints.getTakeLog.select({ requestId, takeId })(state).data),
    same,
  );
  return useMemo(() => new Map(takeIds.flatMap((id, i) => (come[i] ? [[id, come[i]] as const] : []))), [takeIds, come]);
}

const same = (a: readonly (Log | undefined)[], b: readonly (Log | undefined)[]): boolean =>
  a.length === b.length && a.every((one, i) => one === b[i]);
