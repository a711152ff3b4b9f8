import { durationText } from '@lean-mentor/core/footage';
import type { UploadNow } from './uploadsSlice.ts';

/** "12.3 MB", "1.94 GB". */
export const megabytes = (bytes: number): string =>
  bytes >= 1e9 ? `${(bytes / 1e9).toFixed(2)} GB` : `${(bytes / 1e6).toFixed(bytes < 1e8 ? 1 : 0)} MB`;

/** How far an upload is: share, speed and time left. */
export function uploadWords({ state, sentBytes, totalBytes, bytesPerSecond }: UploadNow): string {
  if (state === 'done') return 'Sent';
  const share = `${megabytes(sentBytes)} of ${megabytes(totalBytes)} sent (${Math.floor((100 * sentBytes) / Math.max(1, totalBytes))} %)`;
  if (state === 'paused') return `Paused, ${share}`;
  if (state === 'waiting') return `Waiting for the network, ${share}`;
  if (bytesPerSecond <= 0) return share;
  return `${share}, ${megabytes(bytesPerSecond)} a second, ${durationText((totalBytes - sentBytes) / bytesPerSecond)} left`;
}
