import type { Footage, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { sparedOf, type Spared } from '@lean-mentor/core/book';
import { momentsOf, type CritiqueDoc } from '@lean-mentor/core/critique';
import type { DeskTake, Note } from '@lean-mentor/core/desk';
import { format } from 'date-fns';
import { createContext, useContext, useMemo } from 'react';
import { useGetClientNotesQuery } from '../../desk/index.ts';

/** A note that a moment on the page may be of. `filmed`: of which day its footage is, where it is of another request. */
export type SceneNote = Pick<Note, 'id' | 'footageId' | 'fromFrame' | 'toFrame' | 'kind' | 'what'> & {
  requestId: string;
  filmed: string | null;
  /** Whether other footage was laid beside it. */
  compares: boolean;
};

/** What the blocks of the page are tied to: the request's notes, those of earlier requests that stand beside them, and the footage. */
export interface EditorScene {
  notes: Readonly<Record<string, SceneNote>>;
  /** Whether earlier notes are still being looked for. */
  looking: boolean;
  footages: readonly Footage[];
  requestId: string;
  /** The takes on the desk. */
  takes: Readonly<Record<string, DeskTake>>;
  /** Whom it is written to, and what they are to be spared. */
  spared: Spared;
}

const scene = createContext<EditorScene>({
  notes: {},
  looking: false,
  footages: [],
  requestId: '',
  takes: {},
  spared: { name: '', limits: [], partnerLimits: [] },
});
export const EditorSceneProvider = scene.Provider;
export const useEditorScene = (): EditorScene => useContext(scene);

/** The scene of a critique being written; it stays the same while no other moment is shown. */
export function useSceneOf({ request, client, document }: ResponseOf<typeof contract.openDesk>, doc: CritiqueDoc): EditorScene {
  const { data, isLoading } = useGetClientNotesQuery(request.id);
  const shownIds = momentsOf(doc).join(' ');
  return useMemo(() => {
    const own = Object.values(document.notes).map((note): SceneNote => ({
      ...note,
      requestId: request.id,
      filmed: null,
      compares: !!document.comparisons[note.comparisonId ?? ''],
    }));
    const wanted = new Set([...shownIds.split(' '), ...Object.values(document.notes).flatMap(({ pairId }) => pairId ?? [])]);
    const earlier = (data?.notes ?? [])
      .filter(({ id }) => wanted.has(id) && !document.notes[id])
      .map((note): SceneNote => ({ ...note, filmed: format(note.sentAt, 'd MMM yyyy'), compares: false }));
    return {
      notes: Object.fromEntries([...own, ...earlier].map((note) => [note.id, note])),
      looking: isLoading,
      footages: request.footages,
      requestId: request.id,
      takes: document.takes,
      spared: sparedOf(client, request),
    };
  }, [request, client, document, data, isLoading, shownIds]);
}
