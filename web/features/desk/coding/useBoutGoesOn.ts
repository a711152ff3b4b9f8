import { boutFields, type Bout } from '@lean-mentor/contract';
import { useCallback } from 'react';
import { toast } from 'sonner';
import { faultWords } from '../../../shared/wire/index.ts';
import { useEditBoutsMutation } from '../../footage/index.ts';
import { useLazyOpenDeskQuery } from '../api.ts';
import type { DeskScene } from '../DeskScene.ts';

/** Moves the end of a bout on, to where the next one begins or its footage ends; the desk then knows it so. */
export function useBoutGoesOn({ footage, table, subject: { request } }: DeskScene): (bout: Bout) => Promise<void> {
  const [editBouts] = useEditBoutsMutation();
  const [openAgain] = useLazyOpenDeskQuery();
  return useCallback(
    async (bout) => {
      const next = footage.bouts.find(({ fromFrame }) => fromFrame > bout.fromFrame);
      const after = { ...boutFields.parse(bout), toFrame: next?.fromFrame ?? table.times.length };
      const edits = [{ id: bout.id, base: bout.version, splitFrom: null, after }];
      const { error } = await editBouts({ footageId: footage.id, edits });
      if (error) toast.error(faultWords(error));
      else await openAgain(request.id);
    },
    [footage, table, request.id, editBouts, openAgain],
  );
}
