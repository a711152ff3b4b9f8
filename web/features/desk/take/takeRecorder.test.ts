import type { DeskLook, TakeEvent } from '@lean-mentor/core/takes';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { TakeRecorder } from './takeRecorder.ts';
import type { Voice } from './voice.ts';

const table = { times: Array.from({ length: 300 }, (_, i) => i / 30), endSeconds: 10 };
const rest: DeskLook = {
  frame: 10,
  rate: 0,
  view: { zoom: 1, x: 0, y: 0 },
  mirrored: false,
  drawings: [],
  note: null,
  compare: null,
  coach: null,
};

/** A microphone whose clock the test moves. */
class FakeVoice implements Voice {
  at = 0;
  open = true;
  readonly seen = null;
  private hear: (sound: Blob, type: 'audio/webm') => void = () => undefined;
  constructor(readonly lose: (why: string) => void) {}
  level = (): number => 0.5;
  begin = (onPiece: (sound: Blob, type: 'audio/webm') => void): void => {
    this.hear = onPiece;
    this.at = 0;
  };
  now = (): number => this.at;
  piece = (): void => this.hear(new Blob(['x']), 'audio/webm');
  end = (): Promise<void> => {
    this.piece();
    return Promise.resolve();
  };
  close = (): void => void (this.open = false);
}

let voices: FakeVoice[];
let refuses: boolean;
let pieces: { part: number; events: readonly TakeEvent[] }[];
let look: DeskLook;
let finished: number;
let silent: boolean;
const chapters: { from: number; title: string }[] = [];
const cuts: { from: number; to: number }[] = [];
const made = (): TakeRecorder =>
  new TakeRecorder({
    table,
    open: (onLost) => {
      if (refuses) return Promise.reject(new Error('no microphone'));
      voices.push(new FakeVoice(onLost));
      return Promise.resolve(voices.at(-1)!);
    },
    keeper: () => ({
      add: (part, { events }) => void pieces.push({ part, events }),
      finish: () => {
        finished += 1;
        return Promise.resolve();
      },
    }),
    begun: (noteId) => (noteId === null ? 'take' : `take of ${noteId}`),
    chapterBegan: (_, chapter) => void chapters.push(chapter),
    chapterRenamed: (_, before, title) => {
      for (const one of chapters) if (one.title === before) one.title = title;
    },
    saidAnew: (_, cut) => void cuts.push(cut),
    quiet: (on) => void (silent = on),
    look: () => look,
    finished: () => undefined,
  });
const countedIn = () => vi.advanceTimersByTimeAsync(3100);

beforeEach(() => {
  vi.useFakeTimers();
  [voices, pieces, chapters.length, cuts.length, finished, refuses, silent, look] = [[], [], 0, 0, 0, false, false, rest];
});
afterEach(() => vi.useRealTimers());

/** A take that is being spoken. */
async function speaking(): Promise<TakeRecorder> {
  const recorder = made();
  await recorder.arm();
  recorder.press();
  await countedIn();
  return recorder;
}

describe('a take', () => {
  it('is counted in, and begins with the whole stage; the footage is silent as long as the microphone is open', async () => {
    const recorder = made();
    await recorder.arm();
    expect([recorder.snapshot().phase, silent]).toEqual(['armed', true]);
    recorder.press();
    await vi.advanceTimersByTimeAsync(2000);
    expect(recorder.snapshot()).toMatchObject({ phase: 'counting', count: 1, takeId: null });
    await vi.advanceTimersByTimeAsync(1100);
    expect(recorder.snapshot()).toMatchObject({ phase: 'speaking', takeId: 'take' });
    voices[0]!.at = 1.5;
    look = { ...rest, frame: 40 };
    recorder.lookNow();
    voices[0]!.piece();
    expect(pieces).toEqual([
      { part: 0, events: [expect.objectContaining({ t: 0, kind: 'stage', frame: 10 }), { t: 1.5, kind: 'show', frame: 40 }] },
    ]);
    await recorder.done();
    expect([finished, silent, voices[0]!.open]).toEqual([1, false, false]);
  });

  it('that says a note is recorded as soon as the microphone is there, and is that note’s; the next one is not', async () => {
    const recorder = made();
    await recorder.sayNote('n');
    expect(recorder.snapshot()).toMatchObject({ phase: 'speaking', takeId: 'take of n', noteId: 'n' });
    await recorder.done();
    expect([finished, recorder.snapshot().noteId]).toEqual([1, null]);
    await recorder.arm();
    await recorder.sayNote('m');
    // A microphone that is open already is not taken over.
    expect(recorder.snapshot()).toMatchObject({ phase: 'armed', noteId: null });
    refuses = true;
    await recorder.done();
    await recorder.sayNote('n');
    expect(recorder.snapshot()).toMatchObject({ phase: 'away', noteId: null, why: expect.stringContaining('microphone') });
  });

  it('opens anew where another microphone or a camera is wanted, between parts and not while something is said', async () => {
    const recorder = await speaking();
    await recorder.reopen();
    expect([voices.length, recorder.snapshot().phase]).toEqual([1, 'speaking']);
    recorder.press();
    await vi.advanceTimersByTimeAsync(0);
    await recorder.reopen();
    expect([voices.map(({ open }) => open), recorder.snapshot().phase]).toEqual([[false, true], 'paused']);
    refuses = true;
    await recorder.reopen();
    // What was spoken is kept and put together all the same.
    expect([recorder.snapshot(), finished]).toEqual([
      expect.objectContaining({ phase: 'away', why: expect.stringContaining('Allow it') }),
      1,
    ]);
  });

  it('called off while it is counted in has said nothing and is none', async () => {
    const recorder = made();
    await recorder.arm();
    recorder.press();
    recorder.press();
    await countedIn();
    expect(recorder.snapshot().phase).toBe('armed');
    recorder.leave();
    await vi.runAllTimersAsync();
    expect([recorder.snapshot().phase, finished, pieces]).toEqual(['away', 0, []]);
  });

  it('goes on in a new part after a pause, and what is done in the pause is only its new beginning', async () => {
    const recorder = await speaking();
    voices[0]!.at = 4;
    recorder.leave();
    await vi.runAllTimersAsync();
    expect(recorder.snapshot()).toMatchObject({ phase: 'paused', before: 4 });
    look = { ...rest, frame: 99 };
    recorder.lookNow();
    recorder.press();
    await countedIn();
    voices[0]!.at = 2;
    expect(recorder.seconds()).toBe(6);
    voices[0]!.piece();
    expect(pieces.map(({ part, events }) => [part, events.map(({ kind }) => kind)])).toEqual([
      [0, ['stage']],
      [1, ['stage']],
    ]);
    expect(pieces[1]!.events[0]).toMatchObject({ t: 0, frame: 99 });
  });

  it('whose microphone is pulled out is paused and says why; the next press goes on with another one', async () => {
    const recorder = await speaking();
    voices[0]!.at = 3;
    voices[0]!.lose('The microphone is gone.');
    await vi.runAllTimersAsync();
    expect(recorder.snapshot()).toMatchObject({
      phase: 'paused',
      before: 3,
      why: expect.stringContaining('nothing that was spoken is lost'),
    });
    recorder.press();
    await countedIn();
    expect([recorder.snapshot().phase, voices.length, silent]).toEqual(['speaking', 2, true]);
  });

  it('whose microphone is pulled out and not replaced is ended and kept', async () => {
    const recorder = await speaking();
    refuses = true;
    voices[0]!.lose('The microphone is gone.');
    await vi.runAllTimersAsync();
    expect([recorder.snapshot().phase, finished, pieces.length]).toEqual(['away', 1, 1]);
    expect(recorder.snapshot().why).toContain('The microphone is gone.');
  });

  it('without a microphone says how to allow it', async () => {
    refuses = true;
    const recorder = made();
    await recorder.arm();
    expect(recorder.snapshot()).toMatchObject({ phase: 'away', why: expect.stringContaining('Allow it') });
  });

  it('said anew from an instant cuts what was said from there to the new part, which comes after the last one', async () => {
    const recorder = made();
    await recorder.arm({ takeId: 'earlier', seconds: 20, pieces: [3, 7], from: 12 });
    recorder.press();
    await countedIn();
    voices[0]!.piece();
    expect(pieces[0]!.part).toBe(2);
    expect(cuts).toEqual([{ from: 12, to: 20.04 }]);
    expect(recorder.seconds()).toBe(20);
  });

  it('has a chapter for each thing that is opened, called as that is called in the end', async () => {
    const recorder = await speaking();
    voices[0]!.at = 1;
    recorder.chapter('A new note', 'n');
    recorder.chapter('The elbow', 'n');
    voices[0]!.at = 5;
    recorder.chapter('Part 2');
    recorder.chapter('Part 3');
    expect(chapters).toEqual([
      { from: 1, title: 'The elbow' },
      { from: 5, title: 'Part 2' },
      { from: 5, title: 'Part 3' },
    ]);
  });

  it('tells what of the footage it has been spoken over: what ran as one stretch, a jump as another', async () => {
    const recorder = await speaking();
    for (const frame of [13, 17, 15, 100]) {
      voices[0]!.at += 0.1;
      look = { ...rest, frame };
      recorder.lookNow();
    }
    expect(recorder.spokenOver()).toEqual([
      { fromFrame: 10, toFrame: 18 },
      { fromFrame: 100, toFrame: 101 },
    ]);
    recorder.press();
    await vi.advanceTimersByTimeAsync(10);
    look = { ...rest, frame: 200 };
    recorder.lookNow();
    // While it is paused, nothing is spoken over.
    expect(recorder.spokenOver()).toHaveLength(2);
  });
});
