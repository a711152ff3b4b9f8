import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { newId } from '../newId.ts';
import { heardOf, type Heard } from './heardOf.ts';
import { keepSound } from './memoSounds.ts';
import { forgetRecording, keepRecording } from './recordings.ts';

/** A memo ends by itself after this long, in seconds. */
const mostSeconds = 180;
interface Recorded extends Heard {
  id: string;
}

/** Records with the microphone. `seconds` is null while nothing is recorded. */
export function useRecorder(requestId: string, noteId: string, onRecorded: (memo: Recorded) => void) {
  const [seconds, setSeconds] = useState<number | null>(null);
  const recorder = useRef<MediaRecorder | null>(null);
  const latest = useRef(onRecorded);
  useEffect(() => {
    latest.current = onRecorded;
  });
  // Leaving the note ends the recording and keeps it.
  useEffect(
    () => () => {
      if (recorder.current?.state === 'recording') recorder.current.stop();
    },
    [],
  );

  const finish = async (id: string, pieces: Blob[], type: string): Promise<void> => {
    const sound = new Blob(pieces, { type });
    try {
      // Its words first: the server takes a sound only for a memo it knows; what comes too early is sent again later.
      latest.current({ id, ...(await heardOf(sound)) });
      await keepSound(requestId, id, sound);
    } catch {
      toast.error('Nothing was heard. Try again, closer to the microphone.');
    } finally {
      forgetRecording(id);
    }
  };

  const start = async (): Promise<void> => {
    let stream: MediaStream;
    try {
      stream = await navigator.mediaDevices.getUserMedia({ audio: true });
    } catch {
      toast.error('The microphone is not there, or this page may not use it. Allow it in the browser’s address bar.');
      return;
    }
    const made = new MediaRecorder(stream);
    const pieces: Blob[] = [];
    const id = newId();
    const begun = performance.now();
    const timer = setInterval(() => {
      const passed = (performance.now() - begun) / 1000;
      setSeconds(passed);
      if (passed >= mostSeconds && made.state === 'recording') made.stop();
    }, 250);
    made.ondataavailable = ({ data }) => {
      pieces.push(data);
      // As far as it has been spoken it is on the disk: a tab that dies loses the last second only.
      keepRecording({ memoId: id, requestId, noteId, type: made.mimeType, parts: [...pieces] });
    };
    made.onstop = () => {
      clearInterval(timer);
      setSeconds(null);
      for (const track of stream.getTracks()) track.stop();
      void finish(id, pieces, made.mimeType);
    };
    recorder.current = made;
    setSeconds(0);
    made.start(1000);
  };
  return { seconds, start, stop: () => recorder.current?.stop() };
}
