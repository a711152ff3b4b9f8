import type { FootageProgress } from '@lean-mentor/contract';
import type { FrameTable } from '@lean-mentor/core/footage';
import { useMemo, useState } from 'react';
import { useGetEditionQuery, useGetFrameTableQuery } from './api.ts';
import { useViewing } from './useViewing.ts';

/** The review copy of a footage as far as it is there. A later one only has further frames. */
export interface Copy {
  table: FrameTable;
  /** Undefined until it is known. */
  address: string | undefined;
  /** All of it is there. */
  whole: boolean;
}

/** The whole review copy, once the footage is ready. */
function useWholeCopy(footageId: string, ready: boolean) {
  const { data: table, error, refetch } = useGetFrameTableQuery(footageId, { skip: !ready });
  // Asked for together, so that whoever shows it has both when it opens.
  const { addresses, askAgain } = useViewing(footageId, { skip: !ready });
  const address = addresses?.reviewCopy;
  const copy = useMemo<Copy | null>(() => (ready && table ? { table, address, whole: true } : null), [ready, table, address]);
  return { copy, error, refetch, askAgain };
}

/** What can be looked at while the rest is being made ready. */
function useEdition({ id, state, soFar }: FootageProgress): Copy | null {
  const skip = state === 'ready' || soFar === null;
  const { data } = useGetEditionQuery({ footageId: id, edition: soFar?.edition ?? 0 }, { skip });
  return useMemo(() => (data && !skip ? { table: data.table, address: data.reviewCopy, whole: false } : null), [data, skip]);
}

/** What can be looked at of a footage now; what was there stays until more is. `askAgain` is for when its address no longer loads. */
export function useCopy(progress: FootageProgress) {
  const { copy: whole, ...rest } = useWholeCopy(progress.id, progress.state === 'ready');
  const edition = useEdition(progress);
  const [last, setLast] = useState<Copy | null>(null);
  // The whole takes over from an edition when it can be shown too.
  const now = whole && (whole.address || !last) ? whole : edition;
  if (now && now !== last) setLast(now);
  return { copy: now ?? last, ...rest };
}
