import { secondsOfFrame } from '@lean-mentor/core/footage';
import { beforeEach, describe, expect, it } from 'vitest';
import { FakeVideo, table, times } from '../../testing/fakeVideo.ts';
import { FramePlayer, type EachPicture } from './framePlayer.ts';

/** Decoded pictures that come when the test says so, and a record of what was shown. */
class FakePictures {
  there = new Set<number>();
  shown: number[] = [];
  aims: [number, number][] = [];
  private waiting = new Map<number, (there: boolean) => void>();

  show = (frame: number): boolean => {
    if (!this.there.has(frame)) return false;
    this.shown.push(frame);
    return true;
  };
  aim = (frame: number, direction: 1 | -1): void => void this.aims.push([frame, direction]);
  whenThere = (frame: number): Promise<boolean> =>
    this.there.has(frame) ? Promise.resolve(true) : new Promise((resolve) => this.waiting.set(frame, resolve));
  come(...frames: number[]): void {
    for (const frame of frames) {
      this.there.add(frame);
      this.waiting.get(frame)?.(true);
    }
  }
}

let draw: ((ms: number) => void) | null;
const screen: EachPicture = (each) => {
  draw = each;
  return () => (draw = null);
};
const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

let video: FakeVideo;
let player: FramePlayer;
let pictures: FakePictures;
beforeEach(async () => {
  draw = null;
  video = new FakeVideo();
  player = new FramePlayer(video as unknown as HTMLVideoElement, table, screen);
  pictures = new FakePictures();
  pictures.come(...Array.from({ length: 100 }, (_, i) => i));
  player.takeDecoded(pictures);
  player.start();
  await soon();
});

describe('a decoded frame', () => {
  it('is on the stage with the step itself, and the video element is left alone', () => {
    player.goTo(41);
    player.step(-1);
    expect(player.snapshot()).toMatchObject({ frame: 40, settled: true, picture: 'decoded' });
    expect(pictures.shown).toEqual([0, 41, 40]);
    expect(video.seeks).toEqual([]);
  });

  it('says which way the stage goes, so that more is decoded there', () => {
    player.goTo(41);
    player.step(-1);
    expect(pictures.aims.slice(-2)).toEqual([
      [41, 1],
      [40, -1],
    ]);
  });

  it('that is still to come is told as not there, and shown when it comes', async () => {
    player.goTo(200);
    expect(player.snapshot()).toMatchObject({ frame: 200, settled: false });
    pictures.come(200);
    await soon();
    expect(player.snapshot()).toMatchObject({ frame: 200, settled: true });
  });

  it('that comes late, after the stage went on, is not shown', async () => {
    player.goTo(200);
    player.goTo(50);
    pictures.come(200);
    await soon();
    expect(pictures.shown.at(-1)).toBe(50);
  });
});

describe('a held key', () => {
  it('glides over every frame in order, and waits for one that is not decoded yet', async () => {
    player.goTo(90);
    pictures.shown = [];
    player.glide(1);
    for (let ms = 0; ms < 400; ms += 16) draw!(ms);
    expect(pictures.shown).toEqual([90, 91, 92, 93, 94, 95, 96, 97, 98, 99]);
    expect(player.snapshot()).toMatchObject({ frame: 100, settled: false });
    pictures.come(100, 101);
    await soon();
    draw!(416);
    expect(pictures.shown.slice(-2)).toEqual([100, 101]);
    player.stopGliding();
    expect(draw).toBeNull();
    expect(player.snapshot().gliding).toBe(false);
  });

  it('stands still at the first frame', () => {
    player.goTo(2);
    player.glide(-1);
    for (let ms = 0; ms < 200; ms += 16) draw!(ms);
    expect(player.snapshot().frame).toBe(0);
  });
});

describe('backwards', () => {
  it('shows each frame for its own time, at a quarter of the speed four times as long', () => {
    player.goTo(60);
    player.setSpeed(-0.25);
    player.play();
    const end = (secondsOfFrame(table, 60) - secondsOfFrame(table, 50)) * 4000;
    for (let ms = 0; ms < end; ms += 4) draw!(ms);
    // A picture of the screen is 4 ms here: the ten frames are over within a few of them.
    expect(Math.abs(player.snapshot().frame - 50)).toBeLessThanOrEqual(1);
    expect(pictures.shown.slice(-9).every((frame, i, all) => i === 0 || frame === all[i - 1]! - 1)).toBe(true);
  });

  it('ends at the first frame', () => {
    player.goTo(3);
    player.setSpeed(-0.5);
    player.play();
    for (let ms = 0; ms < 4000 && draw; ms += 16) draw(ms);
    expect(player.snapshot()).toMatchObject({ frame: 0, playing: false });
  });

  it('is not on the ladder where nothing is decoded', () => {
    player.takeDecoded(null);
    for (let i = 0; i < 12; i++) player.changeSpeed(-1);
    expect(player.snapshot().speed).toBe(0.1);
    player.takeDecoded(pictures);
    for (let i = 0; i < 12; i++) player.changeSpeed(-1);
    expect(player.snapshot().speed).toBe(-0.5);
  });
});

describe('playing with sound', () => {
  it('is the video element’s, from the very frame, and stopping shows the decoded frame it stopped at', async () => {
    player.goTo(30);
    player.play();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(player.snapshot()).toMatchObject({ playing: true, picture: 'video' });
    video.show(times[34]!);
    player.pause();
    expect(player.snapshot()).toMatchObject({ frame: 34, playing: false, picture: 'decoded', settled: true });
    expect(pictures.shown.at(-1)).toBe(34);
  });

  it('of a stretch begins again at its start when its last frame is over', async () => {
    player.setLoop({ fromFrame: 20, toFrame: 40 });
    player.goTo(5);
    player.play();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(player.snapshot().frame).toBe(20);
    video.seeks = [];
    video.show(times[39]!);
    expect(video.seeks[0]).toBeCloseTo((times[20]! + times[21]!) / 2, 9);
    player.pause();
  });
});
