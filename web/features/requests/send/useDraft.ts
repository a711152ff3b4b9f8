import type { Draft, DraftStep, IntakeDraft } from '@lean-mentor/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useSaveDraftMutation } from '../api.ts';
import { keepUnsaved, readUnsaved, type Unsaved } from './draftStore.ts';

/** Changes rest this long, in ms, before they are saved; what could not be saved is tried again this often. */
const restMs = 400;
const againMs = 4000;

export type Saving = 'saved' | 'saving' | 'kept';

/**
 * What is said in a draft, saved as it happens. Only what this device changed is sent, so that two devices do not undo one another;
 * what does not reach the server is kept in the browser and sent when it can be.
 */
export function useDraft(draft: Draft) {
  /** Everything said here since the page was opened; it lies over what was fetched. */
  const [here, setHere] = useState<Unsaved | null>(() => readUnsaved(draft.id));
  const unsaved = useRef(here);
  /** The step this device is at: what was fetched may be of an earlier one. */
  const at = useRef(here?.step ?? draft.step);
  const [saving, setSaving] = useState<Saving>(here ? 'saving' : 'saved');
  const [saveDraft] = useSaveDraftMutation();

  /** Sends what is unsaved, and what is said meanwhile. Answers whether all of it has reached the server. */
  const flush = useCallback(async (): Promise<boolean> => {
    while (unsaved.current) {
      const sent = unsaved.current;
      setSaving('saving');
      const { error } = await saveDraft({ requestId: draft.id, ...sent });
      if (error) {
        setSaving('kept');
        return false;
      }
      if (unsaved.current !== sent) continue;
      unsaved.current = null;
      keepUnsaved(draft.id, null);
    }
    setSaving('saved');
    return true;
  }, [draft.id, saveDraft]);

  useEffect(() => {
    if (saving === 'saved' && !unsaved.current) return;
    const timer = setTimeout(() => void flush(), saving === 'kept' ? againMs : restMs);
    return () => clearTimeout(timer);
  }, [here, saving, flush]);

  const put = useCallback(
    (step: DraftStep | null, fields: IntakeDraft): void => {
      at.current = step ?? at.current;
      const over = (before: Unsaved | null): Unsaved => ({
        step: at.current,
        said: { ...before?.said, ...fields },
      });
      unsaved.current = over(unsaved.current);
      keepUnsaved(draft.id, unsaved.current);
      setHere(over);
      setSaving((now) => (now === 'saved' ? 'saving' : now));
    },
    [draft.id],
  );
  const change = useCallback((fields: IntakeDraft): void => put(null, fields), [put]);
  const goTo = useCallback((step: DraftStep): void => put(step, {}), [put]);
  const said: IntakeDraft = { ...draft.said, ...here?.said };
  return { said, step: here?.step ?? draft.step, saving, change, goTo, flush };
}

export type DraftInHand = ReturnType<typeof useDraft>;
