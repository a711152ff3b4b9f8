import { voiceTypes, type TakePiece } from '@lean-mentor/contract';
import { levelOf } from '@lean-mentor/core/takes';

/** Length of a piece, in ms: what is lost at most when a tab dies. */
const pieceMs = 2000;
const bitsASecond = 32_000;

/** A microphone that is listened to. */
export interface Voice {
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

export const microphones = async (): Promise<MediaDeviceInfo[]> =>
  (await navigator.mediaDevices.enumerateDevices()).filter(({ kind, deviceId }) => kind === 'audioinput' && deviceId !== '');

const typeOf = (mime: string): TakePiece['type'] => voiceTypes.find((type) => mime.startsWith(type)) ?? 'audio/webm';

/** Opens a microphone. Rejects where there is none, or this page may not use it. */
export async function openVoice(deviceId: string | null, onLost: (why: string) => void): Promise<Voice> {
  const asItIs = { echoCancellation: false, noiseSuppression: false, autoGainControl: true };
  const audio = { ...asItIs, ...(deviceId && { deviceId: { exact: deviceId } }) };
  const stream = await navigator.mediaDevices.getUserMedia({ audio });
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
  context.onstatechange = () => {
    // A laptop that slept stops its sound.
    if (context.state !== 'running') onLost('This machine stopped listening.');
  };
  let recorder: MediaRecorder | null = null;
  let startedAt = 0;
  return {
    level: () => {
      analyser.getFloatTimeDomainData(samples);
      return Math.min(1, levelOf(samples) * 4);
    },
    begin: (onPiece) => {
      const made = new MediaRecorder(recorded.stream, { audioBitsPerSecond: bitsASecond });
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
