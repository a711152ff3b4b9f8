import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { useDispatch } from 'react-redux';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { logWork } from './api.ts';
import { Outbox } from './outbox.ts';

/** One for each who uses this page, for as long as the page lives. */
const boxes = new Map<string, Outbox>();

/** What somebody has done and the server does not have yet. The network coming back, and leaving the page, send it. */
export function useOutbox(owner: string): { outbox: Outbox } & ReturnType<Outbox['lying']> {
  const dispatch = useDispatch<ThunkDispatch<unknown, unknown, UnknownAction>>();
  const outbox = useMemo(() => {
    const box = boxes.get(owner) ?? new Outbox(owner, ({ body, ...names }) => dispatch(logWork.initiate({ ...names, ...body })));
    boxes.set(owner, box);
    return box;
  }, [owner, dispatch]);
  const lying = useSyncExternalStore(outbox.subscribe, outbox.lying);
  useEffect(() => {
    const send = (): void => void outbox.flush();
    addEventListener('online', send);
    addEventListener('pagehide', send);
    return () => {
      removeEventListener('online', send);
      removeEventListener('pagehide', send);
    };
  }, [outbox]);
  return { outbox, ...lying };
}
