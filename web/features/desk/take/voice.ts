import { voiceTypes, type TakePiece } from '@lean-mentor/contract';
import { levelOf } from '@lean-mentor/core/takes';

/** Length of a piece, in ms: what is lost at most when a tab dies. */
const pieceMs = 2000;
const bitsASecond = 32_000;
/** The coach is seen small. */
const seenBitsASecond = 300_000;

/** A microphone that is listened to, and a camera where one is wanted. */
export interface Voice {
  /** What the camera sees; null where there is none. */
  seen: MediaStream | null;
  /** Loudness now, 0..1, for the eye. */
  level: () => number;
  /** Begins a part. `onPiece` hears its sound as it comes; `onLost` why nothing more comes (unplugged, taken by the system). */
  begin: (onPiece: (sound: Blob, type: TakePiece['type']) => void) => void;
  /** Seconds of the part, by the clock of the sound itself: a machine that stands still for a moment loses both alike. */
  now: () => number;
  /** Ends the part; resolved when its last piece has been heard of. */
  end: () => Promise<void>;
  /** Lets the microphone go. */
  close: () => void;
}

/** What this machine has to hear or to see with; without an id where this page was not allowed to use it yet. */
export const devicesOf = async (kind: 'audioinput' | 'videoinput'): Promise<MediaDeviceInfo[]> =>
  (await navigator.mediaDevices.enumerateDevices()).filter((device) => device.kind === kind);

/** What is recorded: null is the usual microphone, and no camera; of a camera the empty text is the usual one. */
export interface VoiceWanted {
  microphone: string | null;
  camera: string | null;
}

const typeOf = (mime: string): TakePiece['type'] => voiceTypes.find((type) => mime.startsWith(type)) ?? 'audio/webm';

/** Opens a microphone, and a camera. Rejects where there is none, or this page may not use it. */
export async function openVoice({ microphone, camera }: VoiceWanted, onLost: (why: string) => void): Promise<Voice> {
  const asItIs = { echoCancellation: false, noiseSuppression: false, autoGainControl: true };
  const audio = { ...asItIs, ...(microphone && { deviceId: { exact: microphone } }) };
  const small = { width: { ideal: 640 }, height: { ideal: 480 }, frameRate: { ideal: 25 } };
  const video = camera === null ? false : { ...small, ...(camera && { deviceId: { exact: camera } }) };
  const stream = await navigator.mediaDevices.getUserMedia({ audio, video });
  const filmed = stream.getVideoTracks();
  const context = new AudioContext();
  await context.resume();
  const source = context.createMediaStreamSource(stream);
  const recorded = context.createMediaStreamDestination();
  const analyser = context.createAnalyser();
  source.connect(recorded);
  source.connect(analyser);
  const samples = new Float32Array(analyser.fftSize);

  for (const track of stream.getAudioTracks()) {
    track.onended = () => onLost('The microphone is gone.');
    track.onmute = () => onLost('The microphone has gone silent: something else took it, or it was switched off.');
  }
  for (const track of filmed) track.onended = () => onLost('The camera is gone.');
  context.onstatechange = () => {
    // A laptop that slept stops its sound.
    if (context.state !== 'running') onLost('This machine stopped listening.');
  };
  let recorder: MediaRecorder | null = null;
  let startedAt = 0;
  return {
    seen: filmed.length > 0 ? new MediaStream(filmed) : null,
    level: () => {
      analyser.getFloatTimeDomainData(samples);
      return Math.min(1, levelOf(samples) * 4);
    },
    begin: (onPiece) => {
      // In one file with the voice: whatever plays it keeps the two together.
      const both = new MediaStream([...recorded.stream.getAudioTracks(), ...filmed]);
      const made = new MediaRecorder(both, { audioBitsPerSecond: bitsASecond, videoBitsPerSecond: seenBitsASecond });
      made.ondataavailable = ({ data }) => {
        if (data.size > 0) onPiece(data, typeOf(made.mimeType));
      };
      recorder = made;
      startedAt = context.currentTime;
      made.start(pieceMs);
    },
    now: () => Math.round((context.currentTime - startedAt) * 1e4) / 1e4,
    end: () =>
      new Promise((resolve) => {
        if (!recorder || recorder.state === 'inactive') return resolve();
        recorder.onstop = () => resolve();
        recorder.stop();
      }),
    close: () => {
      context.onstatechange = null;
      for (const track of stream.getTracks()) {
        track.onended = track.onmute = null;
        track.stop();
      }
      void context.close();
    },
  };
}
