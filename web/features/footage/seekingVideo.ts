import { frameAtSeconds, seekSecondsOfFrame, timeSlack, type FrameTable } from '@lean-mentor/core/footage';

/** A seek that shows no new picture (the same frame again) is over this long after the browser says so, in ms. */
const noPictureMs = 120;
const mostSeekTries = 3;

/**
 * A video element that is brought to exact frames: it seeks to the middle of a frame and waits for the browser to say which picture it
 * shows.
 */
export class SeekingVideo {
  /** Frame of the picture it shows; −1 while that is not known. */
  shown = -1;
  private run: Promise<void> | null = null;

  constructor(
    readonly element: HTMLVideoElement,
    private table: FrameTable,
  ) {}

  /** The element shows a longer file of the same frames from now on. */
  grow(table: FrameTable): void {
    this.table = table;
    this.shown = -1;
  }

  /** Seeks until the picture is the wanted frame, whatever is wished for meanwhile. One run at a time. */
  seek(wanted: () => number): Promise<void> {
    this.run ??= this.seekOn(wanted).finally(() => (this.run = null));
    return this.run;
  }

  private async seekOn(wanted: () => number): Promise<void> {
    for (let tries = 0, last = -1; this.shown !== wanted() && tries < mostSeekTries;) {
      tries = last === wanted() ? tries + 1 : 0;
      last = wanted();
      this.shown = await this.picture(last);
    }
  }

  /** Asks the browser for a frame and answers which one it then shows. */
  private picture(frame: number): Promise<number> {
    const { element, table } = this;
    return new Promise((resolve) => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      const end = (seconds: number): void => {
        clearTimeout(timer);
        element.cancelVideoFrameCallback(asked);
        element.removeEventListener('seeked', seeked);
        resolve(frameAtSeconds(table, seconds + timeSlack));
      };
      const seeked = (): void => {
        timer = setTimeout(() => end(element.currentTime), noPictureMs);
      };
      const asked = element.requestVideoFrameCallback((_, { mediaTime }) => end(mediaTime));
      element.addEventListener('seeked', seeked, { once: true });
      element.currentTime = seekSecondsOfFrame(table, frame);
    });
  }
}
