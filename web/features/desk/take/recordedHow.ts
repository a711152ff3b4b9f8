import type { CoachShape } from '@lean-mentor/core/takes';
import type { VoiceWanted } from './voice.ts';

/** With what a take is recorded. */
export interface RecordedHow {
  /** Null: the usual one. */
  microphone: string | null;
  /** How the coach is seen; null: not at all. */
  coach: CoachShape | null;
  /** Empty: the usual one. */
  camera: string;
}

export const asUsual: RecordedHow = { microphone: null, coach: null, camera: '' };

export const wantedFor = ({ microphone, coach, camera }: RecordedHow): VoiceWanted => ({ microphone, camera: coach && camera });

/** Whether something else has to be opened; another shape is cut from the same picture. */
export const needsOpening = (before: RecordedHow, now: RecordedHow): boolean =>
  JSON.stringify(wantedFor(before)) !== JSON.stringify(wantedFor(now));
