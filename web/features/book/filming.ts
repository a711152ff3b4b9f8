import { useCallback, useEffect, useRef, useState } from 'react';

/** So long one has to get into place, in seconds, and so long a clip is at most. */
export const [countInSeconds, mostSeconds] = [5, 180];
const bitsASecond = 4_000_000;

/** asking: the browser asks for the camera; ready: it is seen, and nothing kept; counting: about to be; filmed: to be looked at. */
export type Filming =
  | { phase: 'asking' }
  | { phase: 'ready' }
  | { phase: 'counting'; left: number }
  | { phase: 'filming'; seconds: number }
  | { phase: 'filmed'; film: File; address: string }
  | { phase: 'refused' };

/** A camera of this machine: what it sees, and filming with it. */
export interface Camera {
  filming: Filming;
  /** What it sees now; null while there is nothing to see. */
  stream: MediaStream | null;
  cameras: readonly MediaDeviceInfo[];
  /** The one that is used; null: whichever the browser takes. */
  deviceId: string | null;
  choose: (deviceId: string) => void;
  /** Counts down and films, or stops. */
  press: () => void;
  /** Throws away what was filmed. */
  again: () => void;
}

const nameOf = (at: Date): string => `Filmed ${at.toISOString().slice(0, 16).replace('T', ' ')}`;

/** Opens the camera for as long as it is used. */
export function useCamera(): Camera {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [filming, setFilming] = useState<Filming>({ phase: 'asking' });
  const [deviceId, choose] = useState<string | null>(null);
  const [cameras, setCameras] = useState<MediaDeviceInfo[]>([]);
  const recorder = useRef<MediaRecorder | null>(null);
  useEffect(() => {
    let open: MediaStream | null = null;
    let wanted = true;
    const video = { width: { ideal: 1280 }, height: { ideal: 720 }, ...(deviceId && { deviceId: { exact: deviceId } }) };
    navigator.mediaDevices.getUserMedia({ video, audio: true }).then(
      async (given) => {
        open = given;
        if (!wanted) return stopAll(given);
        setStream(given);
        setFilming({ phase: 'ready' });
        setCameras((await navigator.mediaDevices.enumerateDevices()).filter(({ kind }) => kind === 'videoinput'));
      },
      () => wanted && setFilming({ phase: 'refused' }),
    );
    return () => {
      wanted = false;
      // What is being filmed ends with it.
      if (recorder.current?.state === 'recording') recorder.current.stop();
      if (open) stopAll(open);
    };
  }, [deviceId]);
  const begin = useCallback(() => {
    if (!stream) return;
    const parts: Blob[] = [];
    const made = new MediaRecorder(stream, { videoBitsPerSecond: bitsASecond });
    made.ondataavailable = ({ data }) => parts.push(data);
    made.onstop = () => {
      const type = made.mimeType.split(';')[0]!;
      const film = new File(parts, `${nameOf(new Date())}.${type.endsWith('mp4') ? 'mp4' : 'webm'}`, { type });
      setFilming({ phase: 'filmed', film, address: URL.createObjectURL(film) });
    };
    recorder.current = made;
    made.start(1000);
    setFilming({ phase: 'filming', seconds: 0 });
  }, [stream]);
  useEverySecond(filming, setFilming, begin, () => recorder.current?.stop());
  const address = filming.phase === 'filmed' ? filming.address : null;
  useEffect(() => () => void (address && URL.revokeObjectURL(address)), [address]);
  return {
    ...{ filming, stream, cameras, deviceId, choose },
    press: () => {
      if (filming.phase === 'ready') setFilming({ phase: 'counting', left: countInSeconds });
      if (filming.phase === 'counting') setFilming({ phase: 'ready' });
      if (filming.phase === 'filming') recorder.current?.stop();
    },
    again: () => setFilming({ phase: 'ready' }),
  };
}

const stopAll = (stream: MediaStream): void => {
  for (const track of stream.getTracks()) track.stop();
};

/** Counts down, then up: who stands on the mat cannot press anything. */
function useEverySecond(filming: Filming, set: (next: Filming) => void, begin: () => void, end: () => void): void {
  const latest = useRef({ begin, end });
  useEffect(() => {
    latest.current = { begin, end };
  });
  useEffect(() => {
    if (filming.phase !== 'counting' && filming.phase !== 'filming') return;
    const timer = setTimeout(() => {
      if (filming.phase === 'counting') {
        if (filming.left > 1) set({ phase: 'counting', left: filming.left - 1 });
        else latest.current.begin();
      } else if (filming.seconds + 1 >= mostSeconds) latest.current.end();
      else set({ phase: 'filming', seconds: filming.seconds + 1 });
    }, 1000);
    return () => clearTimeout(timer);
  }, [filming, set]);
}
