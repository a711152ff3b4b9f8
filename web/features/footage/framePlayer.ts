import {
  clampFrame,
  frameAtSeconds,
  secondsOfFrame,
  seekSecondsOfFrame,
  timeSlack,
  type FrameTable,
  type Stretch,
} from '@lean-mentor/core/footage';
import { speeds, type DecodedPictures, type PlayerState } from './playerState.ts';
import { SeekingVideo } from './seekingVideo.ts';

/** How far back "run it back" goes, in seconds, and at which speed it comes forward again. */
const runBackSeconds = 3;
const runBackSpeed = 0.5;
/** Of a lull that is passed over, this much is still seen at its start and at its end, in seconds. */
const lullRest = 0.4;

/** Called once a picture of the screen; answers how to call it off. */
export type EachPicture = (draw: (milliseconds: number) => void) => () => void;

const browserPictures: EachPicture = (draw) => {
  let asked = requestAnimationFrame(function again(now) {
    asked = requestAnimationFrame(again);
    draw(now);
  });
  return () => cancelAnimationFrame(asked);
};

/**
 * Drives the stage by frames of a table. Decoded frames are shown at once, forward and backward; where a browser has none, and
 * for playing with sound, a video element is brought to exact frames.
 */
export class FramePlayer {
  private readonly listeners = new Set<() => void>();
  private state: PlayerState = {
    frame: 0,
    playing: false,
    speed: 1,
    settled: false,
    picture: 'video',
    skipsLulls: false,
    loop: null,
    gliding: false,
    waits: false,
  };
  private readonly seeker: SeekingVideo;
  private decoded: DecodedPictures | null = null;
  private lulls: readonly Stretch[] = [];
  /** Frame of the decoded picture on the stage; −1 before the first. */
  private drawn = -1;
  /** Nothing comes after the last frame of the table. */
  private whole = true;
  private runBackFrom: number | null = null;
  private watching = 0;
  private stopPictures: (() => void) | null = null;

  constructor(
    private readonly video: HTMLVideoElement,
    private table: FrameTable,
    private readonly eachPicture: EachPicture = browserPictures,
  ) {
    this.seeker = new SeekingVideo(video, table);
  }

  /** Takes the video element over and shows the first frame. */
  start(): void {
    this.video.addEventListener('ended', this.ended);
    if (!this.decoded) this.seek();
  }

  /** From now on frames are shown decoded; null: by seeking the video element. */
  takeDecoded(decoded: DecodedPictures | null): void {
    if (decoded === this.decoded) return;
    this.decoded = decoded;
    if (!this.state.playing) this.show(this.state.frame);
    if (!decoded && this.state.speed < 0) this.setSpeed(1);
  }

  /**
   * From now on there are these frames: those that were there, and more. Not `whole`: still more will come, and what plays to the end
   * waits for them.
   */
  grow(table: FrameTable, whole: boolean): void {
    const { waits } = this.state;
    this.whole = whole;
    if (table === this.table) return;
    this.table = table;
    this.seeker.grow(table);
    if (!this.state.playing) this.show(this.state.frame);
    if (waits) this.play();
  }

  /** Whether frames can be played backwards. */
  get canReverse(): boolean {
    return this.decoded !== null;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): PlayerState => this.state;

  /** Goes to exactly this frame (the nearest there is) and stays there. */
  readonly goTo = (frame: number): void => {
    this.halt();
    this.runBackFrom = null;
    this.show(clampFrame(this.table, frame));
  };

  readonly step = (frames: number): void => this.goTo(this.state.frame + frames);

  /** Frames go by one after the other, none left out, until `stopGliding`. */
  readonly glide = (direction: 1 | -1): void => {
    if (this.state.gliding) return;
    this.goTo(this.state.frame);
    this.change({ gliding: true });
    this.stopPictures = this.eachPicture(() => {
      if (!this.state.settled) return;
      const next = clampFrame(this.table, this.state.frame + direction);
      if (next !== this.state.frame) this.show(next);
    });
  };
  readonly stopGliding = (): void => {
    if (!this.state.gliding) return;
    this.halt();
  };

  readonly toggle = (): void => (this.state.playing || this.state.waits ? this.pause() : this.play());

  readonly play = (): void => {
    if (this.state.speed < 0) return this.playBackwards();
    const { frame, loop } = this.state;
    const outside = loop && (frame < loop.fromFrame || frame >= loop.toFrame - 1);
    this.halt();
    if (outside) this.change({ frame: loop.fromFrame });
    else if (frame >= this.table.times.length - 1) {
      if (!this.whole) return this.change({ waits: true });
      this.change({ frame: 0 });
    }
    this.change({ playing: true });
    void this.seeker
      .seek(() => this.state.frame)
      .then(() => {
        if (!this.state.playing) return;
        this.change({ picture: 'video' });
        this.video.playbackRate = this.state.speed;
        this.video.play().catch(() => this.pause());
        this.watch();
      });
  };

  readonly pause = (): void => {
    this.halt();
    // The last picture announced may not be the last one painted: the stage is set right.
    this.seeker.shown = -1;
    this.drawn = -1;
    this.show(this.state.frame);
  };

  /** Stretches in which nothing happens; ascending. */
  readonly setLulls = (lulls: readonly Stretch[]): void => void (this.lulls = lulls);

  readonly toggleLulls = (): void => this.change({ skipsLulls: !this.state.skipsLulls });

  /** Plays this stretch over and over; null: no longer. */
  readonly setLoop = (loop: Stretch | null): void => this.change({ loop });

  /** One rung faster or slower. */
  readonly changeSpeed = (rungs: 1 | -1): void => {
    const ladder = speeds.filter((speed) => speed > 0 || this.canReverse);
    const at = ladder.findIndex((speed) => speed >= this.state.speed);
    this.setSpeed(ladder[Math.min(ladder.length - 1, Math.max(0, at + rungs))]!);
  };

  readonly setSpeed = (speed: number): void => {
    const { playing, speed: before } = this.state;
    const turns = playing && Math.sign(speed) !== Math.sign(before);
    if (turns) this.pause();
    if (speed > 0) this.video.playbackRate = speed;
    this.change({ speed });
    if (turns) this.play();
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

  /** Silences the footage, or lets it be heard. */
  readonly setSilent = (silent: boolean): void => void (this.video.muted = silent);

  /** Lets the video element go. */
  dispose(): void {
    this.halt();
    this.video.removeEventListener('ended', this.ended);
  }

  private change(fields: Partial<PlayerState>): void {
    const next = { ...this.state, ...fields };
    const shown = next.picture === 'decoded' ? this.drawn : this.seeker.shown;
    next.settled = (next.playing && next.speed > 0) || next.frame === shown;
    this.state = next;
    for (const listener of this.listeners) listener();
  }

  /** Whatever moves stands still. */
  private halt(): void {
    this.stopPictures?.();
    this.stopPictures = null;
    this.video.pause();
    this.video.cancelVideoFrameCallback(this.watching);
    if (this.state.playing || this.state.gliding || this.state.waits) this.change({ playing: false, gliding: false, waits: false });
  }

  /** Puts a frame on the stage: at once where it is decoded, else as soon as it is. */
  private show(frame: number): void {
    const direction = frame < this.state.frame ? -1 : 1;
    const { decoded } = this;
    if (!decoded) {
      this.change({ frame, picture: 'video' });
      return this.seek();
    }
    const there = this.draw(decoded, frame);
    decoded.aim(frame, direction);
    if (there) return;
    this.change({ frame });
    void decoded.whenThere(frame).then((came) => {
      if (came && this.state.frame === frame && !(this.state.playing && this.state.picture === 'video')) this.draw(decoded, frame);
    });
  }

  private draw(decoded: DecodedPictures, frame: number): boolean {
    if (!decoded.show(frame)) return false;
    this.drawn = frame;
    this.change({ frame, picture: 'decoded' });
    return true;
  }

  private seek(): void {
    void this.seeker.seek(() => this.state.frame).then(() => this.change({}));
  }

  /** While playing, the frame on the stage is the one the browser says it paints. */
  private watch(): void {
    this.watching = this.video.requestVideoFrameCallback((_, { mediaTime }) => {
      if (!this.state.playing) return;
      this.seeker.shown = frameAtSeconds(this.table, mediaTime + timeSlack);
      this.change({ frame: this.seeker.shown });
      this.passLull();
      this.passLoopEnd();
      this.watch();
    });
  }

  private readonly ended = (): void => {
    const { loop, playing } = this.state;
    if (!playing) return;
    this.pause();
    if (loop) this.play();
    else if (!this.whole) this.change({ waits: true });
  };

  private passLoopEnd(): void {
    const { frame, loop } = this.state;
    if (loop && (frame >= loop.toFrame - 1 || frame < loop.fromFrame))
      this.video.currentTime = seekSecondsOfFrame(this.table, loop.fromFrame);
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

  /** Backwards, each decoded frame at its time; where one is not decoded yet, the clock waits for it. */
  private playBackwards(): void {
    this.halt();
    const first = this.state.loop?.fromFrame ?? 0;
    const last = (this.state.loop?.toFrame ?? this.table.times.length) - 1;
    if (this.state.frame <= first || this.state.frame > last) this.show(last);
    this.change({ playing: true });
    let shownAt: number | null = null;
    this.stopPictures = this.eachPicture((now) => {
      if (!this.state.settled) shownAt = null;
      if (!this.state.settled) return;
      shownAt ??= now;
      const { frame, speed } = this.state;
      if (frame <= first) {
        if (this.state.loop) this.show(last);
        else this.pause();
        return;
      }
      const lasts = (secondsOfFrame(this.table, frame) - secondsOfFrame(this.table, frame - 1)) / -speed;
      if (now - shownAt < lasts * 1000) return;
      // The rest of this picture's time is carried on, so that the speed is right at any rate of the screen.
      shownAt = Math.max(shownAt + lasts * 1000, now - lasts * 1000);
      this.show(frame - 1);
    });
  }
}
