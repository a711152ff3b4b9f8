import { clampFrame, frameAtSeconds, type FrameTable } from '@lean-mentor/core/footage';
import {
  cutClock,
  stageReader,
  wantedFrames,
  type CutClock,
  type Stage,
  type StageReader,
  type Take,
  type TakeStretch,
} from '@lean-mentor/core/takes';

/** How much of the difference to the sound's own clock is taken up with each picture, and beyond which it is taken over whole (seconds). */
const [pull, mostOff] = [0.05, 0.1];
/** So many frames are made ready ahead. */
const framesAhead = 90;
/** What is played over and over ends this much before the recording does, in seconds: a sound that has ended plays no more. */
const beforeItsEnd = 0.1;
/** The order of frames is reckoned anew this often, in seconds of the take. */
const planEvery = 0.25;

/** The sound that leads: an audio element, or what stands in for it. */
export interface Sound {
  currentTime: number;
  readonly paused: boolean;
  playbackRate: number;
  play: () => Promise<void>;
  pause: () => void;
}

/** Frames that are decoded, as far as a take shows them. */
export interface Frames {
  aimAlong: (order: readonly number[]) => void;
}

export interface PlaybackGiven {
  take: Take;
  table: FrameTable;
  sound: Sound;
  /** Null: a video element shows the picture, about. */
  frames: Frames | null;
  /** Shows the stage; called once a picture of the screen while it plays, and when something has changed. */
  show: (stage: Stage, recorded: number) => void;
  /** Length of one picture of the screen, in seconds: the picture that is drawn now is seen that much later. */
  lead?: number;
}

/**
 * Plays a take: the sound leads, and every picture of the screen shows the stage of that instant. Driven by `tick`, once a picture of the
 * screen.
 */
export class Playback {
  private readonly reader: StageReader;
  private readonly clock: CutClock;
  /** Where the sound is, smoothed: its own clock moves in steps. Seconds of the recording. */
  private at = 0;
  private tickedAt: number | null = null;
  private plannedAt = -1;
  /** While it is stopped, so many frames from where the take shows one: looked at picture by picture. */
  private stepped = 0;
  /** What is played over and over, in seconds of the recording. */
  private looped: TakeStretch | null = null;

  constructor(private readonly given: PlaybackGiven) {
    this.reader = stageReader(given.take, given.table);
    this.clock = cutClock(given.take);
    this.at = given.sound.currentTime;
  }

  /** Length of what is heard, and where in it the take is. */
  get seconds(): number {
    return this.clock.seconds;
  }
  get heard(): number {
    return this.clock.toNew(this.at);
  }
  /** Seconds of the recording. */
  get recorded(): number {
    return this.at;
  }

  /** Goes to an instant of what is heard. */
  seek(heard: number): void {
    const to = this.clock.toRecorded(Math.max(0, Math.min(heard, this.clock.seconds)));
    this.given.sound.currentTime = to;
    this.at = to;
    this.plannedAt = -1;
    this.stepped = 0;
    this.looped = null;
    this.tickedAt = null;
    this.showNow();
  }

  /** Plays a stretch of the recording over and over, until it is told null or goes elsewhere: then it stops. */
  loop(stretch: TakeStretch | null): void {
    const { sound, take } = this.given;
    if (!stretch) {
      if (this.looped) sound.pause();
      this.looped = null;
      return;
    }
    this.seek(this.clock.toNew(stretch.from));
    this.looped = { from: stretch.from, to: Math.min(stretch.to, take.seconds - beforeItsEnd) };
    void sound.play().catch(() => undefined);
  }

  /** Stops here. */
  stop(): void {
    this.given.sound.pause();
  }

  /** How fast it is spoken; voices keep their pitch. */
  setSpeed(speed: number): void {
    this.given.sound.playbackRate = speed;
  }

  /** One frame on or back, while it is stopped; playing on goes on with the take. */
  step(by: 1 | -1): void {
    if (!this.given.sound.paused) return;
    this.stepped += by;
    this.plannedAt = -1;
    this.showNow();
  }

  /** `now` in ms. */
  tick(now: number): void {
    const { sound } = this.given;
    const passed = this.tickedAt === null ? 0 : (now - this.tickedAt) / 1000;
    this.tickedAt = now;
    if (!sound.paused) {
      this.stepped = 0;
      this.at += passed * sound.playbackRate;
      const off = sound.currentTime - this.at;
      this.at = Math.abs(off) > mostOff ? sound.currentTime : this.at + off * pull;
      this.passCut();
      if (this.looped && this.at >= this.looped.to) this.at = sound.currentTime = this.looped.from;
    } else if (this.at !== sound.currentTime) this.at = sound.currentTime;
    this.showNow();
  }

  private passCut(): void {
    const cut = this.clock.cuts.find(({ from, to }) => this.at >= from && this.at < to);
    if (!cut) return;
    this.given.sound.currentTime = cut.to;
    this.at = cut.to;
  }

  private showNow(): void {
    const { take, table, frames, show, sound, lead = 0 } = this.given;
    const seen = Math.min(take.seconds, this.at + (sound.paused ? 0 : lead * sound.playbackRate));
    const stage = this.reader.stageAt(seen);
    const frame = clampFrame(table, stage.frame + this.stepped);
    if (frames && (Math.abs(seen - this.plannedAt) >= planEvery || this.plannedAt < 0)) {
      const coming = wantedFrames(take, this.clock.cuts, table, seen, framesAhead);
      const around = [frame + 1, frame - 1, frame + 2, frame - 2].filter((one) => one >= 0 && one < table.times.length);
      frames.aimAlong(this.stepped === 0 ? coming : [...new Set([frame, ...around, ...coming])]);
      this.plannedAt = seen;
    }
    show(this.stepped === 0 ? stage : { ...stage, frame }, seen);
  }
}

/** What a video element is told so that it shows about the frame of a stage; where frames cannot be decoded. */
export function followWith(video: HTMLVideoElement, table: FrameTable, { frame, rate }: Stage, moving: boolean): void {
  const wanted = table.times[frame]! + 0.001;
  const off = Math.abs(video.currentTime - wanted);
  if (moving && rate > 0) {
    video.playbackRate = rate;
    if (off > 0.15) video.currentTime = wanted;
    if (video.paused) void video.play().catch(() => undefined);
    return;
  }
  if (!video.paused) video.pause();
  if (!video.seeking && frameAtSeconds(table, video.currentTime + 0.001) !== frame) video.currentTime = wanted;
}
