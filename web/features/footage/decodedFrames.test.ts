import { beforeEach, describe, expect, it } from 'vitest';
import { DecodedFrames, type DecodePort } from './decodedFrames.ts';
import type { DecodeAnswer, DecodeAsk } from './decodeWorker.ts';

const table = { times: Array.from({ length: 2000 }, (_, i) => i / 30), endSeconds: 2000 / 30 };
const group = 12;

/** A picture of 720p that knows whether it was closed. */
class FakePicture {
  static open = 0;
  constructor(readonly frame: number) {
    FakePicture.open += 1;
  }
  allocationSize = (): number => 1280 * 720 * 1.5;
  close(): void {
    FakePicture.open -= 1;
  }
}

/** A worker that decodes a group when the test lets it. */
class FakePort implements DecodePort {
  onmessage: DecodePort['onmessage'] = null;
  onerror: DecodePort['onerror'] = null;
  asks: number[] = [];
  ended = false;
  postMessage(ask: DecodeAsk): void {
    if ('decode' in ask) this.asks.push(ask.decode);
  }
  terminate(): void {
    this.ended = true;
  }
  say(answer: DecodeAnswer): void {
    this.onmessage?.({ data: answer } as MessageEvent<DecodeAnswer>);
  }
  /** Decodes the group of the last ask, without the frames in `without`. */
  work(without: number[] = []): void {
    const ask = this.asks.at(-1)!;
    const from = ask - (ask % group);
    for (let frame = from; frame < from + group && frame < table.times.length; frame++)
      if (!without.includes(frame)) this.say({ frame, picture: new FakePicture(frame) as unknown as VideoFrame });
    this.say({ ran: ask });
  }
}

let port: FakePort;
let frames: DecodedFrames;
beforeEach(() => {
  FakePicture.open = 0;
  port = new FakePort();
  frames = new DecodedFrames({ port, address: 'a', table, width: 1280, height: 720 });
});
/** Lets the worker go on until nothing is asked for any more. */
const workOn = (): void => {
  for (let asked = -1; asked !== port.asks.length;) {
    asked = port.asks.length;
    port.work();
  }
};

describe('frames decoded ahead', () => {
  it('are fetched around the stage, within the memory, and those let go are closed', () => {
    for (const at of [0, 500, 510, 1500]) {
      frames.aim(at, 1);
      workOn();
      for (let near = Math.max(0, at - 40); near < at + 100; near++) expect(frames.picture(near)).toBeDefined();
      expect(frames.bytes).toBeLessThan(400e6);
      expect(FakePicture.open).toBe(frames.count);
    }
    frames.close();
    expect([FakePicture.open, port.ended]).toEqual([0, true]);
  });

  it('are asked for at once where the stage jumps, before the run under way is over', () => {
    frames.aim(1000, 1);
    expect(port.asks.at(-1)).toBe(1000);
    frames.aim(1003, 1);
    expect(port.asks.filter((frame) => frame === 1003)).toEqual([]);
  });

  it('are awaited: true when they come, false when the stage went elsewhere', async () => {
    const first = frames.whenThere(4);
    workOn();
    expect(await first).toBe(true);
    const left = frames.whenThere(900);
    frames.aim(100, 1);
    expect(await left).toBe(false);
  });

  it('that cannot be decoded are not asked for without end, and on the stage they are told', () => {
    let told = '';
    frames.whenItFails = (words) => (told = words);
    workOn();
    frames.aim(300, 1);
    while (port.asks.at(-1) !== 300) port.work();
    port.work([306]);
    workOn();
    const before = port.asks.length;
    frames.aim(301, 1);
    expect(port.asks.slice(before)).not.toContain(306);
    frames.aim(900, 1);
    port.work([900]);
    expect(told).toBe('Frame 900 could not be decoded.');
    expect(frames.fault).toBe(told);
  });

  it('end with words when the worker fails, and nobody waits any longer', async () => {
    const waited = frames.whenThere(3);
    port.say({ fault: 'This browser does not decode hevc.' });
    expect(await waited).toBe(false);
    expect(frames.fault).toBe('This browser does not decode hevc.');
  });
});
