import { mostClipBytes } from '@lean-mentor/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { faultWords } from '../../shared/wire/index.ts';
import { sendClipVideo, useAddClipMutation, useListClipsQuery } from './api.ts';

/** A file's name without its ending, as a first title. */
const titleOf = (file: File): string => file.name.replace(/\.\w+$/, '').slice(0, 120) || 'A clip';

export interface SendClip {
  /** 0..1 of what is on its way; null when nothing is. */
  share: number | null;
  /** Answers the id of the new clip; null when it was not taken, which has then been said. */
  send: (file: File) => Promise<string | null>;
}

/** Puts a video of the coach's own into the library. */
export function useSendClip(): SendClip {
  const [share, setShare] = useState<number | null>(null);
  const [addClip] = useAddClipMutation();
  const { refetch } = useListClipsQuery();
  const send = async (file: File): Promise<string | null> => {
    if (file.size > mostClipBytes) {
      toast.error('The clip is larger than 512 MB. Cut it shorter.');
      return null;
    }
    const id = crypto.randomUUID();
    setShare(0);
    try {
      const added = await addClip({ id, title: titleOf(file) });
      if (added.error) throw new Error(faultWords(added.error));
      await sendClipVideo(id, file, setShare);
      void refetch();
      return id;
    } catch (error) {
      toast.error((error as Error).message);
      return null;
    } finally {
      setShare(null);
    }
  };
  return { share, send };
}
