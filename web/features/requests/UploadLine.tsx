import { useRef } from 'react';
import type { Footage } from '@lean-mentor/contract';
import { useDispatch, useSelector } from 'react-redux';
import { Button, ShareBar } from '../../shared/primitives/index.ts';
import { pauseUpload, resumeUpload, startUpload } from './uploads.ts';
import { megabytes } from '../../shared/megabytes.ts';
import { uploadWords } from './uploadWords.ts';
import { uploadChanged, uploadsSlice, type UploadNow } from './uploadsSlice.ts';

/** The upload of one footage as this browser sees it: how far it is, pause, go on, or take the file up again. */
export function UploadLine({ footage }: { footage: Footage }) {
  const now = useSelector((state: { [uploadsSlice.name]: Record<string, UploadNow> }) => state[uploadsSlice.name][footage.id]);
  const dispatch = useDispatch();
  const picker = useRef<HTMLInputElement>(null);

  const choose = (file: File | undefined): void => {
    if (!file) return;
    if (file.size !== footage.byteSize) {
      dispatch(
        uploadChanged({
          footageId: footage.id,
          state: 'failed',
          message: `That is another file: ${megabytes(file.size)} instead of ${megabytes(footage.byteSize)}. Choose ${footage.fileName}.`,
        }),
      );
      return;
    }
    void startUpload(dispatch, footage.id, file);
  };

  if (now && now.state !== 'failed')
    return (
      <div className="flex flex-col gap-2">
        <p className="text-desk text-reed" aria-live="polite">
          {uploadWords(now)}
        </p>
        <ShareBar share={now.sentBytes / Math.max(now.totalBytes, 1)} label="Sent so far" />
        {now.state === 'sending' && (
          <Button look="plain" className="self-start" onClick={() => pauseUpload(dispatch, footage.id)}>
            Pause
          </Button>
        )}
        {now.state === 'paused' && (
          <Button look="plain" className="self-start" onClick={() => resumeUpload(dispatch, footage.id)}>
            Send the rest of {footage.fileName}
          </Button>
        )}
      </div>
    );
  return (
    <div className="flex flex-col items-start gap-2">
      <p role={now ? 'alert' : undefined} className={now ? 'border-l-4 border-brick pl-2' : 'text-reed'}>
        {now?.message ??
          `Not all of ${footage.fileName} has arrived. Choose it again on the device you sent it from: it goes on where it stopped.`}
      </p>
      <input
        ref={picker}
        type="file"
        accept="video/*"
        className="sr-only"
        aria-label="Choose the file again"
        tabIndex={-1}
        onChange={(e) => choose(e.target.files?.[0])}
      />
      <Button look="plain" onClick={() => picker.current?.click()}>
        Choose the file again
      </Button>
    </div>
  );
}
