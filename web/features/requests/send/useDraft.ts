import { draftSteps, intakeDraft, type Draft, type DraftStep, type IntakeDraft } from '@lean-mentor/contract';
import { useCallback, useRef, useState } from 'react';
import { z } from 'zod';
import { browserShelf, ShelvedThing, useKept } from '../../../shared/keeping/index.ts';
import { useSaveDraftMutation } from '../api.ts';

/** Changes rest this long, in ms, before they are saved. */
const restMs = 400;

/** What has been said on this device and not reached the server yet. */
const unsaved = z.preprocess(
  // An earlier page kept it under another name.
  (kept) => (typeof kept === 'object' && kept !== null && 'said' in kept ? { ...kept, intake: kept.said } : kept),
  z.object({ step: z.enum(draftSteps), intake: intakeDraft }),
);
type Unsaved = z.infer<typeof unsaved>;
const over = (before: Unsaved, next: Unsaved): Unsaved => ({ step: next.step, intake: { ...before.intake, ...next.intake } });

/**
 * What is said in a draft, saved as it happens. Only what this device changed is sent, so that two devices do not undo one another;
 * what does not reach the server is kept in the browser and sent when it can be.
 */
export function useDraft(draft: Draft) {
  const [saveDraft] = useSaveDraftMutation();
  const [words, keeping] = useKept(
    () =>
      new ShelvedThing({
        shelf: browserShelf({
          name: 'draft',
          subject: draft.id,
          formerly: { key: (account) => `lean-draft-${account}-${draft.id}` },
          schema: unsaved,
        }),
        send: (intake) => saveDraft({ requestId: draft.id, ...intake }),
        restMs,
        over,
      }),
  );
  /** Everything said here since the page was opened; it lies over what was fetched. */
  const [here, setHere] = useState<Unsaved | null>(words.unsaved);
  /** The step this device is at: what was fetched may be of an earlier one. */
  const at = useRef(here?.step ?? draft.step);

  const put = useCallback(
    (step: DraftStep | null, fields: IntakeDraft): void => {
      at.current = step ?? at.current;
      const next: Unsaved = { step: at.current, intake: fields };
      words.put(next);
      setHere((before) => (before ? over(before, next) : next));
    },
    [words],
  );
  const change = useCallback((fields: IntakeDraft): void => put(null, fields), [put]);
  const goTo = useCallback((step: DraftStep): void => put(step, {}), [put]);
  const intake: IntakeDraft = { ...draft.intake, ...here?.intake };
  return { intake, step: here?.step ?? draft.step, keeping, change, goTo, flush: words.flush };
}

export type DraftControls = ReturnType<typeof useDraft>;
