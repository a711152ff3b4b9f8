import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { useKept, type Keeping } from '../../../shared/keeping/index.ts';
import { useLazyGetCritiqueDraftQuery, useSaveCritiqueDraftMutation } from '../api.ts';
import { keptCritique } from './keptCritique.ts';

export interface DraftSaving extends Keeping {
  kept: CritiqueDoc | null;
  put: (doc: CritiqueDoc) => void;
  flush: () => Promise<number | null>;
  settle: (revision: number, doc: CritiqueDoc | null) => void;
}

/** The keeper of a request's critique, and where it stands. Leaving the page saves what waits. */
export function useDraftSaving(requestId: string, opened: number): DraftSaving {
  const [save] = useSaveCritiqueDraftMutation();
  const [ask] = useLazyGetCritiqueDraftQuery();
  const [page, keeping] = useKept(() => keptCritique(requestId, opened, { save, ask }));
  return { ...keeping, kept: page.kept, put: page.putDoc, flush: page.flushed, settle: page.settle };
}
