import { alignMotion, alignSound, type AlignmentFound, type FootageSound, type FrameTable } from '@lean-mentor/core/footage';

/** What one camera saw and heard. */
export interface Camera {
  table: FrameTable;
  level: readonly number[];
  sound: FootageSound;
}

export interface AlignAnswer {
  found: AlignmentFound | null;
  by: 'sound' | 'motion';
}

/** Sound that agrees less clearly than this is not trusted where movement agrees more clearly. */
const trusted = 0.2;

/** By sound where both have it and it agrees clearly, else by movement, whichever says more. */
export function alignCameras(first: Camera, second: Camera): AlignAnswer {
  const heard = alignSound(first.sound, second.sound);
  if (heard && heard.confidence >= trusted) return { found: heard, by: 'sound' };
  const seen = alignMotion(first, second);
  if (heard && heard.confidence >= (seen?.confidence ?? 0)) return { found: heard, by: 'sound' };
  return { found: seen, by: 'motion' };
}

if (typeof WorkerGlobalScope !== 'undefined' && self instanceof WorkerGlobalScope)
  self.onmessage = ({ data }: MessageEvent<{ first: Camera; second: Camera }>) => self.postMessage(alignCameras(data.first, data.second));
