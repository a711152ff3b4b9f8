import { soundPeaks } from '@lean-mentor/core/footage';

/** Bars of the waveform. */
const bars = 100;
/** A memo is not longer than this, in seconds. */
const mostSeconds = 600;

export interface Heard {
  seconds: number;
  /** Loudness from start to end, 0..1. */
  peaks: number[];
}

/** How long a recorded sound is, and its loudness. Rejects where nothing can be heard in it. */
export async function heardOf(sound: Blob): Promise<Heard> {
  const context = new AudioContext();
  try {
    const heard = await context.decodeAudioData(await sound.arrayBuffer());
    return { seconds: Math.min(heard.duration, mostSeconds), peaks: soundPeaks(heard.getChannelData(0), bars) };
  } finally {
    await context.close();
  }
}
