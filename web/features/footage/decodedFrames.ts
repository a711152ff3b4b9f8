import {
  framesToDrop,
  nextOfOrder,
  nextToDecode,
  orderToDrop,
  picturesWithin,
  wantedFrames,
  type FrameTable,
} from '@lean-mentor/core/footage';
import type { DecodeAnswer, DecodeAsk } from './decodeWorker.ts';

/** What decoded pictures may take together, in bytes: the goal is 400 MB, and those on their way from the worker count too. */
const usualBudget = 330e6;
/** A group of pictures is decoded whole: so many of them may come that were not wanted. */
const spare = 14;

/** What a picture takes; one that only the graphics card knows the format of is taken for the common kind. */
const bytesOf = (picture: VideoFrame): number =>
  picture.format === null ? picture.codedWidth * picture.codedHeight * 1.5 : picture.allocationSize();

/** Whoever waits for a frame further from the stage than this is told that it will not come now. */
const stillAwaited = 4;

/** The worker's side, as far as it is used here. */
export interface DecodePort {
  postMessage(ask: DecodeAsk): void;
  onmessage: ((event: MessageEvent<DecodeAnswer>) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
  terminate(): void;
}

export interface DecodedFramesOptions {
  port: DecodePort;
  address: string;
  table: FrameTable;
  width: number;
  height: number;
  /** What the pictures may take together, in bytes. */
  budgetBytes?: number;
}

/**
 * Decoded pictures around the frame on the stage. A worker decodes them, nearest first and further in the direction of travel;
 * they are kept within a budget of memory and closed when they are let go.
 */
export class DecodedFrames {
  private readonly held = new Map<number, VideoFrame>();
  private readonly waiting = new Map<number, ((there: boolean) => void)[]>();
  /** Frames that did not come with their own group: they are not asked for again. */
  private readonly lost = new Set<number>();
  private readonly port: DecodePort;
  private readonly table: FrameTable;
  private most: number;
  private readonly budgetBytes: number;
  private heldBytes = 0;
  private at = 0;
  private direction: 1 | -1 = 1;
  /** The order in which frames will be shown, where that is known; null: whatever lies around the stage. */
  private order: readonly number[] | null = null;
  /** The frame whose group the worker is decoding. */
  private asked: number | null = null;
  private faultWords: string | null = null;
  private onFault: (words: string) => void = () => undefined;

  constructor({ port, address, table, width, height, budgetBytes = usualBudget }: DecodedFramesOptions) {
    this.port = port;
    this.table = table;
    this.budgetBytes = budgetBytes;
    this.most = picturesWithin(budgetBytes, width, height);
    port.onmessage = ({ data }) => this.hear(data);
    port.onerror = (event) => this.fail(event.message || 'The decoding worker stopped.');
    port.postMessage({ open: { address, table } });
    this.next();
  }

  /** Why nothing can be decoded here, in words; null as long as it can. */
  get fault(): string | null {
    return this.faultWords;
  }
  set whenItFails(tell: (words: string) => void) {
    this.onFault = tell;
    if (this.faultWords !== null) tell(this.faultWords);
  }

  /** What the held pictures take, in bytes. */
  get bytes(): number {
    return this.heldBytes;
  }
  get count(): number {
    return this.held.size;
  }

  /** The picture of a frame, to be drawn at once and not kept; undefined while it is not decoded. */
  picture(frame: number): VideoFrame | undefined {
    return this.held.get(frame);
  }

  /** Says where the stage is and which way it goes; what lies around it is decoded. */
  aim(at: number, direction: 1 | -1): void {
    this.at = at;
    this.direction = direction;
    this.order = null;
    this.answer((frame) => Math.abs(frame - at) > stillAwaited, false);
    this.next();
  }

  /** Says in which order frames will be shown, the present one first: they are decoded in that order. */
  aimAlong(order: readonly number[]): void {
    this.at = order[0] ?? this.at;
    this.order = order.slice(0, this.most - spare);
    this.answer((frame) => frame !== this.at, false);
    this.next();
  }

  /** Resolves with true when the frame is decoded, with false when it will not be: the stage went elsewhere or decoding failed. */
  whenThere(frame: number): Promise<boolean> {
    if (this.held.has(frame)) return Promise.resolve(true);
    if (this.faultWords !== null) return Promise.resolve(false);
    return new Promise((resolve) => this.waiting.set(frame, [...(this.waiting.get(frame) ?? []), resolve]));
  }

  /** Lets everything go. */
  close(): void {
    this.port.onmessage = null;
    this.port.terminate();
    for (const frame of [...this.held.keys()]) this.drop(frame);
    this.answer(() => true, false);
  }

  private wanted(): { fromFrame: number; toFrame: number } {
    return wantedFrames(this.at, this.direction, this.most - spare, this.table.times.length);
  }

  /** Asks for what is missing most. A run is only given up when the stage itself has nothing to show. */
  private next(): void {
    if (this.faultWords !== null) return;
    const has = (f: number): boolean => this.held.has(f) || this.lost.has(f);
    const frame = this.order ? nextOfOrder(has, this.order) : nextToDecode(has, this.at, this.direction, this.wanted());
    if (frame === null || frame === this.asked) return;
    const urgent = !has(this.at) && !this.isUnderWay(this.at);
    if (this.asked !== null && !urgent) return;
    this.asked = frame;
    this.port.postMessage({ decode: frame });
  }

  /** The run that is asked for will bring this frame soon. */
  private isUnderWay(frame: number): boolean {
    return this.asked !== null && frame >= this.asked && frame - this.asked < spare;
  }

  private hear(answer: DecodeAnswer): void {
    if ('fault' in answer) return this.fail(answer.fault);
    if ('picture' in answer) return this.take(answer.frame, answer.picture);
    if (answer.ran !== this.asked) return;
    this.asked = null;
    if (!this.held.has(answer.ran)) {
      this.lost.add(answer.ran);
      if (answer.ran === this.at) return this.fail(`Frame ${answer.ran} could not be decoded.`);
    }
    this.next();
  }

  private take(frame: number, picture: VideoFrame): void {
    this.drop(frame);
    this.held.set(frame, picture);
    this.heldBytes += bytesOf(picture);
    // By what they really are: an unusual kind of picture takes more than was thought.
    this.most = Math.min(this.most, Math.max(16, Math.floor(this.budgetBytes / bytesOf(picture))));
    const held = [...this.held.keys()];
    const tooMany = this.order ? orderToDrop(held, this.order, this.most) : framesToDrop(held, this.at, this.direction, this.most);
    for (const gone of tooMany) this.drop(gone);
    if (!this.held.has(frame)) return;
    this.answer((f) => f === frame, true);
  }

  private drop(frame: number): void {
    const picture = this.held.get(frame);
    if (!picture) return;
    this.heldBytes -= bytesOf(picture);
    picture.close();
    this.held.delete(frame);
  }

  private answer(which: (frame: number) => boolean, there: boolean): void {
    for (const [frame, resolves] of this.waiting) {
      if (!which(frame)) continue;
      this.waiting.delete(frame);
      for (const resolve of resolves) resolve(there);
    }
  }

  private fail(words: string): void {
    if (this.faultWords !== null) return;
    this.faultWords = words;
    this.answer(() => true, false);
    this.onFault(words);
  }
}
