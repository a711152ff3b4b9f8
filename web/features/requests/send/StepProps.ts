import type { Draft, DraftStep } from '@lean-mentor/contract';
import type { DraftControls } from './useDraft.ts';

/** What every step of sending is given. */
export interface StepProps {
  draft: Draft;
  written: DraftControls;
  goTo: (step: DraftStep) => void;
}
