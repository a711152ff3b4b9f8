import { frameAtSeconds, type FrameTable } from '@lean-mentor/core/footage';

/** Uneven times, as phones make them. */
export const times = Array.from({ length: 300 }, (_, i) => i * 0.0333 + 0.012 * Math.sin(i * 1.7) + Math.floor(i / 20) * 0.2);
export const table: FrameTable = { times, endSeconds: times[299]! + 0.03 };

/** A video element that answers a seek a moment later, as browsers do, and shows pictures when told to. */
export class FakeVideo extends EventTarget {
  playbackRate = 1;
  paused = true;
  seeks: number[] = [];
  private at = 0;
  private callbacks = new Map<number, VideoFrameRequestCallback>();
  private handle = 0;

  get currentTime(): number {
    return this.at;
  }
  set currentTime(seconds: number) {
    this.at = seconds;
    this.seeks.push(seconds);
    setTimeout(() => {
      this.dispatchEvent(new Event('seeked'));
      this.show(times[frameAtSeconds(table, this.at)]!);
    }, 5);
  }
  requestVideoFrameCallback(callback: VideoFrameRequestCallback): number {
    this.callbacks.set(++this.handle, callback);
    return this.handle;
  }
  cancelVideoFrameCallback(handle: number): void {
    this.callbacks.delete(handle);
  }
  play(): Promise<void> {
    this.paused = false;
    return Promise.resolve();
  }
  pause(): void {
    this.paused = true;
  }
  show(mediaTime: number): void {
    const due = [...this.callbacks.values()];
    this.callbacks.clear();
    for (const callback of due) callback(0, { mediaTime } as VideoFrameCallbackMetadata);
  }
}
