import { clampFrame, frameAtSeconds, secondsOfFrame, seekSecondsOfFrame, type FrameTable, type Stretch } from '@lean-mentor/core/footage';

export const speeds = [0.1, 0.25, 0.5, 0.75, 1, 1.5, 2] as const;
/** How far back "run it back" goes, in seconds, and at which speed it comes forward again. */
const runBackSeconds = 3;
const runBackSpeed = 0.5;
/** Players keep times in other units; a frame's time may come back this much early, in seconds. */
const timeSlack = 0.0005;
/** A seek that shows no new picture (the same frame again) is over this long after the browser says so, in ms. */
const noPictureMs = 120;
const mostSeekTries = 3;
/** Of a lull that is passed over, this much is still seen at its start and at its end, in seconds. */
const lullRest = 0.4;

export interface PlayerState {
  /** The frame on the stage; while a seek is under way, the one it goes to. */
  frame: number;
  playing: boolean;
  speed: number;
  /** The picture on the stage is that frame. */
  settled: boolean;
  /** Lulls are passed over while playing. */
  skipsLulls: boolean;
}

/**
 * Drives a video element by frames of a table. Steps and jumps seek to the middle of the wanted frame and wait for the
 * browser to say which picture it shows; wishes that come meanwhile are gathered, so that a held key glides.
 */
export class FramePlayer {
  private readonly listeners = new Set<() => void>();
  private state: PlayerState = { frame: 0, playing: false, speed: 1, settled: false, skipsLulls: false };
  private lulls: readonly Stretch[] = [];
  /** Frame of the picture on the stage; −1 before the first. */
  private shown = -1;
  private seekRun: Promise<void> | null = null;
  private runBackFrom: number | null = null;
  private watching = 0;

  constructor(
    private readonly video: HTMLVideoElement,
    private readonly table: FrameTable,
  ) {}

  /** Takes the video element over and shows the first frame. */
  start(): void {
    this.video.addEventListener('ended', this.pause);
    void this.seek();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): PlayerState => this.state;

  /** Goes to exactly this frame (the nearest there is) and stays there. */
  readonly goTo = (frame: number): void => {
    this.stopVideo();
    this.runBackFrom = null;
    this.change({ frame: clampFrame(this.table, frame), playing: false });
    void this.seek();
  };

  readonly step = (frames: number): void => this.goTo(this.state.frame + frames);

  readonly toggle = (): void => (this.state.playing ? this.pause() : this.play());

  readonly play = (): void => {
    if (this.state.frame >= this.table.times.length - 1) this.change({ frame: 0 });
    this.change({ playing: true });
    void this.seek().then(() => {
      if (!this.state.playing) return;
      this.video.playbackRate = this.state.speed;
      this.video.play().catch(() => this.pause());
      this.watch();
    });
  };

  readonly pause = (): void => {
    this.stopVideo();
    this.change({ playing: false });
    // The last picture announced may not be the last one painted: the stage is set right.
    this.shown = -1;
    void this.seek();
  };

  /** Stretches in which nothing happens; ascending. */
  readonly setLulls = (lulls: readonly Stretch[]): void => void (this.lulls = lulls);

  readonly toggleLulls = (): void => this.change({ skipsLulls: !this.state.skipsLulls });

  /** One rung faster or slower. */
  readonly changeSpeed = (rungs: 1 | -1): void => {
    const at = speeds.findIndex((s) => s >= this.state.speed);
    this.setSpeed(speeds[Math.min(speeds.length - 1, Math.max(0, at + rungs))]!);
  };

  readonly setSpeed = (speed: number): void => {
    this.video.playbackRate = speed;
    this.change({ speed });
  };

  /** Plays from 3 s earlier at half speed; called again meanwhile, from 3 s earlier still. */
  readonly runBack = (): void => {
    const from = this.state.playing && this.runBackFrom !== null ? this.runBackFrom : secondsOfFrame(this.table, this.state.frame);
    const start = Math.max(this.table.times[0]!, from - runBackSeconds);
    this.goTo(frameAtSeconds(this.table, start));
    this.runBackFrom = start;
    this.setSpeed(runBackSpeed);
    this.play();
  };

  /** Lets the video element go. */
  dispose(): void {
    this.stopVideo();
    this.video.removeEventListener('ended', this.pause);
  }

  private change(fields: Partial<PlayerState>): void {
    const next = { ...this.state, ...fields };
    next.settled = next.playing || next.frame === this.shown;
    this.state = next;
    for (const listener of this.listeners) listener();
  }

  private stopVideo(): void {
    this.video.pause();
    this.video.cancelVideoFrameCallback(this.watching);
  }

  /** While playing, the frame on the stage is the one the browser says it paints. */
  private watch(): void {
    this.watching = this.video.requestVideoFrameCallback((_, { mediaTime }) => {
      if (!this.state.playing) return;
      this.shown = frameAtSeconds(this.table, mediaTime + timeSlack);
      this.change({ frame: this.shown });
      this.passLull();
      this.watch();
    });
  }

  /** Jumps to shortly before the end of the lull that is being played, where lulls are passed over. */
  private passLull(): void {
    const { frame, skipsLulls } = this.state;
    const lull = skipsLulls ? this.lulls.find(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame) : undefined;
    if (!lull) return;
    const now = secondsOfFrame(this.table, frame);
    const end = secondsOfFrame(this.table, lull.toFrame) - lullRest;
    if (now - secondsOfFrame(this.table, lull.fromFrame) > lullRest && end - now > lullRest)
      this.video.currentTime = seekSecondsOfFrame(this.table, frameAtSeconds(this.table, end));
  }

  /** Seeks until the picture is the wanted frame, whatever is wished for meanwhile. One run at a time. */
  private seek(): Promise<void> {
    this.seekRun ??= this.seekOn().finally(() => {
      this.seekRun = null;
      this.change({});
    });
    return this.seekRun;
  }

  private async seekOn(): Promise<void> {
    for (let tries = 0, last = -1; this.shown !== this.state.frame && tries < mostSeekTries;) {
      tries = last === this.state.frame ? tries + 1 : 0;
      last = this.state.frame;
      this.shown = await this.picture(last);
    }
  }

  /** Asks the browser for a frame and answers which one it then shows. */
  private picture(frame: number): Promise<number> {
    const { video, table } = this;
    return new Promise((resolve) => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      const end = (seconds: number): void => {
        clearTimeout(timer);
        video.cancelVideoFrameCallback(asked);
        video.removeEventListener('seeked', seeked);
        resolve(frameAtSeconds(table, seconds + timeSlack));
      };
      const seeked = (): void => {
        timer = setTimeout(() => end(video.currentTime), noPictureMs);
      };
      const asked = video.requestVideoFrameCallback((_, { mediaTime }) => end(mediaTime));
      video.addEventListener('seeked', seeked, { once: true });
      video.currentTime = seekSecondsOfFrame(table, frame);
    });
  }
}
