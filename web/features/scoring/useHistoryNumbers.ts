import { useEffect, useState } from 'react';
import type { HistoryAsked, HistoryCounted } from './historyWorker.ts';

export type HistoryNumbers = Omit<HistoryCounted, 'id'>;

let asked = 0;

/** Statistics and patterns of many bouts, counted in a worker; null until they are there. `bouts` must stay the same object. */
export function useHistoryNumbers(bouts: HistoryAsked['bouts'] | null): HistoryNumbers | null {
  const [counted, setCounted] = useState<{ of: HistoryAsked['bouts']; numbers: HistoryNumbers } | null>(null);
  useEffect(() => {
    if (!bouts) return;
    const worker = new Worker(new URL('./historyWorker.ts', import.meta.url), { type: 'module' });
    const id = (asked += 1);
    worker.onmessage = ({ data: { id: answered, ...numbers } }: MessageEvent<HistoryCounted>) => {
      if (answered === id) setCounted({ of: bouts, numbers });
    };
    worker.postMessage({ id, bouts } satisfies HistoryAsked);
    return () => worker.terminate();
  }, [bouts]);
  return counted && counted.of === bouts ? counted.numbers : null;
}
