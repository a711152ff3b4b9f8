import { streamWorkClip } from '@lean-mentor/contract';
import { useEffect, useMemo, useState } from 'react';
import { addressOf } from '../../shared/wire/index.ts';
import { lastOwner } from '../../shared/keeping/index.ts';
import { useAccount } from '../access/index.ts';
import { keepClips, openWithoutNetwork } from '../kept/index.ts';
import { useGetClientWorkQuery, type WorkAnswer } from './api.ts';
import { workShelf, type KeptWork } from './workShelves.ts';

/** Whose work is shown: of who is signed in, or without a network of who was last. */
export function useWorkOwner(): { owner: string; clients: { id: string; name: string }[]; kept: KeptWork } {
  const account = useAccount();
  const owner = account?.id ?? lastOwner() ?? '';
  const kept = useMemo(() => workShelf(owner).read() ?? [], [owner]);
  return { owner, clients: account?.clients.filter(({ agreed }) => agreed) ?? kept, kept };
}

/** A client's work: as the server has it, or where it cannot be reached as it came last. */
export interface MyWork {
  answer: WorkAnswer | null;
  /** It is not from now: nothing can be reached. */
  isKept: boolean;
  error: unknown;
  again: () => void;
}

/** A client's work, kept on this phone as it comes, with the clips that go with it, so that it is there without a network. */
export function useMyWork(owner: string, client: { id: string; name: string }): MyWork {
  const { data, error, refetch } = useGetClientWorkQuery(client.id, { refetchOnMountOrArgChange: true, refetchOnReconnect: true });
  const [before] = useState(() => (workShelf(owner).read() ?? []).find(({ id }) => id === client.id)?.answer ?? null);
  useEffect(() => {
    if (!data) return;
    const others = (workShelf(owner).read() ?? []).filter(({ id }) => id !== client.id);
    workShelf(owner).put([...others, { ...client, answer: data }]);
    if (data.work.length > 0) void openWithoutNetwork().catch(() => undefined);
    const clips = data.work.filter(({ state }) => state !== 'ended').flatMap((work) => work.clips);
    const saving = (navigator as { connection?: { saveData?: boolean } }).connection?.saveData ?? false;
    if (!saving)
      void keepClips(
        owner,
        clips.map(({ id: clipId }) => ({ clipId, address: addressOf(streamWorkClip, { clientId: client.id, clipId }) })),
      );
  }, [data, owner, client]);
  return { answer: data ?? before, isKept: !data, error: data ? undefined : error, again: () => void refetch() };
}
