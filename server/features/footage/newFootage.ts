import type { FootageRow } from './model.ts';

/** Footage of which no more is known than that it is to come: nothing has arrived, nothing has been looked at. */
export const newFootage = (
  known: Pick<FootageRow, 'id' | 'requestId' | 'position' | 'fileName' | 'byteSize' | 'changedAt'>,
): FootageRow => ({
  ...known,
  uploadId: null,
  originalKey: null,
  state: 'uploading',
  step: 'On its way',
  share: 0,
  secondsLeft: null,
  failure: null,
  width: null,
  height: null,
  frameCount: null,
  seconds: null,
  advice: null,
  alignment: null,
  released: false,
  retryHelps: true,
  edition: 0,
  editionSeconds: null,
});
