import { durationText } from '@lean-mentor/core/footage';
import { megabytes } from '../../shared/megabytes.ts';
import type { UploadNow } from './uploadsSlice.ts';

/** How far an upload is: share, speed and time left. */
export function uploadWords({ state, sentBytes, totalBytes, bytesPerSecond }: UploadNow): string {
  if (state === 'done') return 'Sent';
  const share = `${megabytes(sentBytes)} of ${megabytes(totalBytes)} sent (${Math.floor((100 * sentBytes) / Math.max(1, totalBytes))} %)`;
  if (state === 'paused') return `Paused, ${share}`;
  if (state === 'waiting') return `Waiting for the network, ${share}`;
  if (bytesPerSecond <= 0) return share;
  return `${share}, ${megabytes(bytesPerSecond)} a second, ${durationText((totalBytes - sentBytes) / bytesPerSecond)} left`;
}
