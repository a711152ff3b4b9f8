import { beginUpload } from '@lean-mentor/contract';
import type { Dispatch, UnknownAction } from '@reduxjs/toolkit';
import { DetailedError, Upload } from 'tus-js-client';
import { baseApi, currentToken } from '../../shared/wire/index.ts';
import { uploadChanged } from './uploadsSlice.ts';

/** Uploads under way, by footage. They outlive the page that began them; only leaving the app pauses them. */
const running = new Map<string, Upload>();
/** Files that this page was given, so that they can be looked at while they are on their way. */
const files = new Map<string, string>();

/** The address of a footage's own file, where this page was given it. */
export const fileAddressOf = (footageId: string): string | undefined => files.get(footageId);

function keepFile(footageId: string, file: File | null): void {
  const before = files.get(footageId);
  if (before) URL.revokeObjectURL(before);
  if (file) files.set(footageId, URL.createObjectURL(file));
  else files.delete(footageId);
}

/** Rests between tries after the network failed, in ms; the last one repeats until it is back. */
const retryDelays = [0, 1000, 3000, 5000, ...Array.from({ length: 200 }, () => 10_000)];
/** Speed is taken over this long, in ms. */
const speedWindowMs = 3000;

const refusalOf = (error: Error | DetailedError): string | null => {
  const status = error instanceof DetailedError ? error.originalResponse?.getStatus() : undefined;
  if (status === undefined || status >= 500) return null;
  return (error as DetailedError).originalResponse?.getBody() || 'The server did not take the file. Choose it again.';
};

/** Sends a file as the bytes of a footage, or goes on where an earlier try of this browser ended. */
export async function startUpload(dispatch: Dispatch<UnknownAction>, footageId: string, file: File): Promise<void> {
  await running.get(footageId)?.abort();
  keepFile(footageId, file);
  const report = (fields: Parameters<typeof uploadChanged>[0]): void => void dispatch(uploadChanged(fields));
  const points: { at: number; bytes: number }[] = [];
  const upload = new Upload(file, {
    endpoint: beginUpload.path,
    metadata: { footageId, filename: file.name },
    retryDelays,
    fingerprint: () => Promise.resolve(`lean-upload-${footageId}`),
    removeFingerprintOnSuccess: true,
    onBeforeRequest: (request) => request.setHeader('x-lean-token', currentToken()),
    onShouldRetry: (error) => {
      const again = refusalOf(error) === null;
      if (again) report({ footageId, state: 'waiting' });
      return again;
    },
    onProgress: (sentBytes, totalBytes) => {
      const at = performance.now();
      points.push({ at, bytes: sentBytes });
      while (points.length > 2 && at - points[0]!.at > speedWindowMs) points.shift();
      const first = points[0]!;
      report({
        footageId,
        state: 'sending',
        sentBytes,
        totalBytes,
        bytesPerSecond: at > first.at ? ((sentBytes - first.bytes) * 1000) / (at - first.at) : 0,
        message: null,
      });
    },
    onSuccess: () => {
      running.delete(footageId);
      report({ footageId, state: 'done' });
      dispatch(baseApi.util.invalidateTags(['request']));
    },
    onError: (error) => {
      running.delete(footageId);
      report({
        footageId,
        state: 'failed',
        message: refusalOf(error) ?? 'The network is gone. Choose the file again to go on where it stopped.',
      });
    },
  });
  running.set(footageId, upload);
  report({ footageId, state: 'sending', sentBytes: 0, totalBytes: file.size });
  const earlier = await upload.findPreviousUploads();
  if (earlier[0]) upload.resumeFromPreviousUpload(earlier[0]);
  upload.start();
}

export function pauseUpload(dispatch: Dispatch<UnknownAction>, footageId: string): void {
  void running.get(footageId)?.abort();
  dispatch(uploadChanged({ footageId, state: 'paused', bytesPerSecond: 0 }));
}

/** Gives an upload up; what has arrived is left to be removed with its footage. */
export function stopUpload(footageId: string): void {
  void running.get(footageId)?.abort();
  running.delete(footageId);
  keepFile(footageId, null);
}

export function resumeUpload(dispatch: Dispatch<UnknownAction>, footageId: string): void {
  running.get(footageId)?.start();
  dispatch(uploadChanged({ footageId, state: 'sending' }));
}

addEventListener('beforeunload', (event) => {
  // A running upload would be cut; it can be taken up again, but it is kinder to ask.
  if (running.size > 0) event.preventDefault();
});
