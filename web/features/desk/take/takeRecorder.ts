import type { ChapterStart, TakeStretch } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import {
  deskLog,
  joinedStretches,
  type FrameStretch,
  type DeskLog,
  type DeskLook,
  type Stroke,
  type TakeEvent,
} from '@lean-mentor/core/takes';
import type { KeptPiece } from '../deskStore.ts';
import type { PieceNews } from './pieceKeeper.ts';
import type { Voice } from './voice.ts';

/** Counted down before the microphone is recorded, so that nobody begins out of breath. Seconds. */
const countInSeconds = 3;
/** So many frames at most are passed over between two looks while the footage runs. */
const mostPassed = 10;
/** What is cut away for a retake reaches this far into the new part, in seconds: its length before is known to about that. */
const seamSlack = 0.04;

/**
 * away: no microphone; asking: the browser asks for it; armed: heard, and not recorded; counting: about to be; speaking; ending: the last
 * piece is on its way; paused: between two parts.
 */
export type TakePhase = 'away' | 'asking' | 'armed' | 'counting' | 'speaking' | 'ending' | 'paused';

export interface TakeState {
  phase: TakePhase;
  /** Null before the first part. */
  takeId: string | null;
  /** Length of the parts before the present one, in seconds. */
  before: number;
  /** From where the next part is said anew, in seconds of the recording; null: it goes on where the last one ended. */
  anew: number | null;
  /** The note that is said; null: whatever comes. */
  noteId: string | null;
  /** Seconds left of the count-in. */
  count: number;
  chapter: string;
  pieces: PieceNews;
  /** What went wrong, in one sentence. */
  why: string | null;
}

export const noTake: TakeState = {
  ...{ phase: 'away', takeId: null, before: 0, anew: null, noteId: null, count: 0, chapter: '', why: null },
  pieces: { waiting: 0, unkept: false, refused: false },
};

/** A take that is gone on with: how long it is, of how many parts, and which pieces they have. */
export interface EarlierTake {
  takeId: string;
  seconds: number;
  pieces: number[];
  /** Said anew from here, in seconds of the recording; null: from where it ended. */
  from: number | null;
}

export interface TakeDoings {
  table: FrameTable;
  open: (onLost: (why: string) => void) => Promise<Voice>;
  keeper: (
    takeId: string,
    pieces: number[],
    tell: (news: PieceNews) => void,
  ) => {
    add: (part: number, piece: Pick<KeptPiece, 'type' | 'voice' | 'events'>) => void;
    finish: () => Promise<void>;
  };
  /** Puts a new take on the desk and answers its id. `noteId`: of the note that it says. */
  begun: (noteId: string | null) => string;
  /** A chapter begins, the last one is called otherwise, or a stretch is said anew. */
  chapterBegan: (takeId: string, chapter: ChapterStart) => void;
  chapterRenamed: (takeId: string, before: string, title: string) => void;
  saidAnew: (takeId: string, cut: TakeStretch) => void;
  /** Silences the footage while there is a microphone. */
  quiet: (on: boolean) => void;
  /** What is seen on the desk now. */
  look: () => DeskLook;
  finished: () => void;
}

/** Records takes: microphone, log and pieces as one. Nothing that was spoken is lost by anything done here. */
export class TakeRecorder {
  private readonly listeners = new Set<() => void>();
  private state = noTake;
  private voice: Voice | null = null;
  private log: DeskLog | null = null;
  private keeper: ReturnType<TakeDoings['keeper']> | null = null;
  private events: TakeEvent[] = [];
  private part = 0;
  private counting: ReturnType<typeof setInterval> | undefined;
  private partSeconds = 0;
  private over: FrameStretch[] = [];
  /** What the present chapter is about. */
  private chapterOf: string | null = null;

  constructor(private readonly doings: TakeDoings) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): TakeState => this.state;
  readonly level = (): number => this.voice?.level() ?? 0;
  /** What the camera sees, where one is on. */
  readonly seen = (): MediaStream | null => this.voice?.seen ?? null;
  /** Seconds of the whole take so far. */
  readonly seconds = (): number => this.state.before + (this.state.phase === 'speaking' ? this.voice!.now() : 0);

  /** Says a note: a take of its own, recorded as soon as the microphone is there. */
  readonly sayNote = async (noteId: string): Promise<void> => {
    await this.arm(null, noteId);
    if (this.state.phase === 'armed' && this.state.noteId === noteId) this.speak();
  };

  /** Asks for the microphone. `earlier`: the take is gone on with. */
  readonly arm = async (earlier: EarlierTake | null = null, noteId: string | null = null): Promise<void> => {
    if (this.state.phase !== 'away') return;
    const of = { takeId: earlier?.takeId ?? null, before: earlier?.seconds ?? 0, anew: earlier?.from ?? null, noteId };
    this.say({ ...noTake, phase: 'asking', ...of });
    this.part = earlier?.pieces.length ?? 0;
    this.over = [];
    this.chapterOf = null;
    this.keeper = earlier ? this.keeperOf(earlier.takeId, earlier.pieces) : null;
    try {
      this.voice = await this.doings.open((why) => void this.lost(why));
    } catch {
      this.say({ ...noTake, why: 'The microphone is not there, or this page may not use it. Allow it in the browser’s address bar.' });
      return;
    }
    this.doings.quiet(true);
    this.say({ phase: 'armed' });
  };

  /** Opens the microphone anew, since another one is wanted, or a camera; while something is said it stays. */
  readonly reopen = async (): Promise<void> => {
    const { phase, before } = this.state;
    if (phase !== 'armed' && phase !== 'paused') return;
    this.voice?.close();
    this.voice = null;
    this.say({ phase: 'asking', why: null });
    try {
      this.voice = await this.doings.open((again) => void this.lost(again));
      this.say({ phase, before });
    } catch {
      this.say({ phase: 'away', why: 'It is not there, or this page may not use it. Allow it in the browser’s address bar.' });
      await this.done();
    }
  };

  /** The one key: begins, pauses, goes on. */
  readonly press = (): void => {
    const { phase } = this.state;
    if (phase === 'away') void this.arm();
    else if (phase === 'armed' || phase === 'paused') this.countIn();
    else if (phase === 'counting') this.stopCounting();
    else if (phase === 'speaking') void this.pause();
  };

  /** Esc: speaking is paused, a count-in is called off, and what is paused is done. */
  readonly leave = (): void => {
    const { phase } = this.state;
    if (phase === 'speaking' || phase === 'counting') this.press();
    else void this.done();
  };

  /** A chapter begins here. `of`: what it is about, so that it takes the title which that has in the end; a new one where there is none. */
  readonly chapter = (title: string, of: string | null = null): void => {
    const { phase, takeId, chapter } = this.state;
    if (phase !== 'speaking' || !takeId) return;
    if (of !== null && of === this.chapterOf) {
      if (title !== chapter) this.doings.chapterRenamed(takeId, chapter, title);
    } else this.doings.chapterBegan(takeId, { from: Math.round(this.seconds() * 1000) / 1000, title });
    this.chapterOf = of;
    this.say({ chapter: title });
  };

  /** Looks at the desk; what has changed goes into the log. */
  readonly lookNow = (): void => {
    if (this.state.phase !== 'speaking' || !this.log || !this.voice) return;
    this.events.push(...this.log.look(this.voice.now(), this.see()));
  };

  /** What of the footage has been spoken over since the microphone was asked for. */
  readonly spokenOver = (): readonly FrameStretch[] => joinedStretches(this.over);

  /** What is seen now; its frame counts as spoken over. */
  private see(): DeskLook {
    const look = this.doings.look();
    const last = this.over.at(-1);
    // What runs passes over frames between two looks.
    if (last && look.frame >= last.fromFrame - mostPassed && look.frame < last.toFrame + mostPassed) {
      last.fromFrame = Math.min(last.fromFrame, look.frame);
      last.toFrame = Math.max(last.toFrame, look.frame + 1);
    } else this.over.push({ fromFrame: look.frame, toFrame: look.frame + 1 });
    return look;
  }

  /** Seconds of the present part; null while nothing is recorded. */
  readonly partNow = (): number | null => (this.state.phase === 'speaking' ? this.voice!.now() : null);

  readonly stroke = (began: number, stroke: Stroke): void => {
    if (this.state.phase !== 'speaking' || !this.log || !this.voice) return;
    this.events.push(...this.log.stroke(began, this.voice.now(), stroke));
  };

  /** Ends the take: what was spoken is put together. */
  readonly done = async (): Promise<void> => {
    this.stopCounting();
    if (this.state.phase === 'speaking') await this.pause();
    const { keeper } = this;
    this.close();
    this.say({ ...noTake, why: this.state.why });
    await keeper?.finish();
    if (keeper) this.doings.finished();
  };

  private keeperOf(takeId: string, pieces: number[]): ReturnType<TakeDoings['keeper']> {
    return this.doings.keeper(takeId, [...pieces], (news) => this.say({ pieces: news }));
  }

  private countIn(): void {
    this.say({ phase: 'counting', count: countInSeconds, why: null });
    this.counting = setInterval(() => {
      if (this.state.count > 1) this.say({ count: this.state.count - 1 });
      else this.speak();
    }, 1000);
  }

  private stopCounting(): void {
    clearInterval(this.counting);
    if (this.state.phase === 'counting') this.say({ phase: this.state.takeId ? 'paused' : 'armed', count: 0 });
  }

  private speak(): void {
    clearInterval(this.counting);
    const takeId = this.state.takeId ?? this.doings.begun(this.state.noteId);
    this.keeper ??= this.keeperOf(takeId, []);
    const { keeper, part } = this;
    const { anew, before } = this.state;
    if (anew !== null) this.doings.saidAnew(takeId, { from: anew, to: before + seamSlack });
    this.log = deskLog(this.doings.table);
    this.voice!.begin((voice, type) => {
      keeper.add(part, { type, voice, events: this.events.splice(0) });
    });
    this.events = this.log.look(0, this.see());
    this.say({ phase: 'speaking', takeId, anew: null, count: 0, why: null });
  }

  private async pause(): Promise<void> {
    if (this.state.phase !== 'speaking') return;
    this.lookNow();
    this.partSeconds = this.voice!.now();
    this.say({ phase: 'ending' });
    await this.voice!.end();
    this.part += 1;
    this.say({ phase: 'paused', before: this.state.before + this.partSeconds });
  }

  /** The microphone is gone: the take is paused, and the reason said. */
  private async lost(why: string): Promise<void> {
    this.stopCounting();
    if (this.state.phase === 'speaking') await this.pause();
    this.close();
    const { takeId, before } = this.state;
    this.say({ why: takeId ? `${why} The take is paused; nothing that was spoken is lost.` : why });
    if (!takeId) return this.say({ phase: 'away' });
    // The next press opens a microphone again and goes on.
    try {
      this.voice = await this.doings.open((again) => void this.lost(again));
      this.doings.quiet(true);
      this.say({ phase: 'paused', before });
    } catch {
      await this.done();
    }
  }

  private close(): void {
    this.voice?.close();
    this.voice = null;
    this.doings.quiet(false);
  }

  private say(fields: Partial<TakeState>): void {
    this.state = { ...this.state, ...fields };
    for (const listener of this.listeners) listener();
  }
}
