import type { Draft, DraftStep } from '@lean-mentor/contract';
import type { DraftInHand } from './useDraft.ts';

/** What every step of sending is given. */
export interface StepProps {
  draft: Draft;
  hand: DraftInHand;
  goTo: (step: DraftStep) => void;
}
