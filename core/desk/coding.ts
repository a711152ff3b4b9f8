import { assertNever } from '../never/index.ts';
import type {
  BoutHappening,
  Cut,
  FrameEvent,
  FrameThreat,
  Holder,
  PositionCode,
  ScoreOverride,
  Span,
  Athlete,
  AttemptOutcome,
} from '../scoring/index.ts';
import { spansOfCuts } from '../scoring/index.ts';

/** One person's coding of one bout: positions as cuts, and events. The accepted one is the bout's. */
export interface Coding {
  id: string;
  footageId: string;
  boutId: string;
  coderId: string;
  coderName: string;
  /** draft: being coded; offered: the coder asks for it to be taken; accepted: the bout is coded so. */
  state: 'draft' | 'offered' | 'accepted';
}
export const codingStates = ['draft', 'offered', 'accepted'] as const;

export interface CodedCut extends Cut {
  footageId: string;
  codingId: string;
}

/** An event of a coding. Fields that its kind does not have are null or false. */
export interface CodedEvent {
  id: string;
  footageId: string;
  codingId: string;
  atFrame: number;
  kind: BoutHappening['kind'];
  athlete: Athlete | null;
  technique: string | null;
  outcome: AttemptOutcome | null;
  close: boolean;
  gripped: boolean;
  position: PositionCode | null;
  holder: Holder;
  /** Of an attempt or a finish: what it is called, more closely than its technique says. */
  name?: string;
}

/** A finishing attack of a coding. Null frames: it was not tight yet, or goes on. */
export interface CodedThreat extends Omit<FrameThreat, 'lockedFrame' | 'toFrame' | 'name'> {
  id: string;
  footageId: string;
  codingId: string;
  lockedFrame: number | null;
  toFrame: number | null;
  /** Empty: nobody said what it is. */
  name: string;
}

/** What the coach says against the computed score, on a frame. */
export interface CodedOverride extends Omit<ScoreOverride, 'at'> {
  footageId: string;
  boutId: string;
  atFrame: number;
}

/** What is coded of one bout by one person. */
export interface CodedBout {
  coding: Coding | null;
  cuts: CodedCut[];
  events: CodedEvent[];
  spans: (Span & { id: string })[];
  threats: CodedThreat[];
}

interface Bout {
  id: string;
  fromFrame: number;
  toFrame: number;
}
interface Shelves {
  codings: Record<string, Coding>;
  cuts: Record<string, CodedCut>;
  events: Record<string, CodedEvent>;
  threats: Record<string, CodedThreat>;
}

const byId = (a: { id: string }, b: { id: string }): number => (a.id < b.id ? -1 : 1);

/** All codings of a bout, the accepted one first. */
export const codingsOf = ({ codings }: Pick<Shelves, 'codings'>, boutId: string): Coding[] =>
  Object.values(codings)
    .filter((coding) => coding.boutId === boutId)
    .sort((a, b) => Number(b.state === 'accepted') - Number(a.state === 'accepted') || byId(a, b));

/** What one coding says; without one, nothing. */
export function codedBout(
  { cuts, events, threats }: Pick<Shelves, 'cuts' | 'events' | 'threats'>,
  bout: Bout,
  coding: Coding | null,
): CodedBout {
  const own = coding ? Object.values(cuts).filter(({ codingId }) => codingId === coding.id) : [];
  return {
    coding,
    cuts: own,
    events: coding
      ? Object.values(events)
          .filter(({ codingId }) => codingId === coding.id)
          .sort((a, b) => a.atFrame - b.atFrame || byId(a, b))
      : [],
    spans: spansOfCuts(own, bout.fromFrame, bout.toFrame),
    threats: coding
      ? Object.values(threats)
          .filter(({ codingId }) => codingId === coding.id)
          .sort((a, b) => a.fromFrame - b.fromFrame || byId(a, b))
      : [],
  };
}

/** What happened, as the score reads it; null where a field that the kind needs is missing. */
export function frameEventOf(event: CodedEvent): FrameEvent | null {
  const { kind, atFrame, athlete, technique, outcome, close, gripped, position, holder, name } = event;
  const named = name ? { name } : {};
  switch (kind) {
    case 'stoppage':
      return { kind, atFrame };
    case 'restart':
      return { kind, atFrame, ...(position && { position, holder }) };
    case 'attempt':
      return athlete && technique && outcome ? { kind, atFrame, athlete, technique, outcome, ...(close && { close }), ...named } : null;
    case 'guard-pull':
      return athlete && { kind, atFrame, athlete, ...(gripped && { gripped }) };
    case 'penalty':
      return athlete && { kind, atFrame, athlete };
    case 'finish':
    case 'catch-and-release':
      return athlete && { kind, atFrame, athlete, technique: technique ?? '', ...named };
    default:
      return assertNever(kind);
  }
}

export const frameEventsOf = (events: readonly CodedEvent[]): FrameEvent[] => events.map(frameEventOf).filter((event) => event !== null);

/** Threats as the score reads them: one that goes on ends with the bout, and none is tight before it is on or after it is over. */
export const frameThreatsOf = (threats: readonly CodedThreat[], bout: Pick<Bout, 'toFrame'>): FrameThreat[] =>
  threats.map(({ athlete, name, fromFrame, lockedFrame, toFrame: ends, ended, tradedFor }) => {
    const toFrame = Math.max(fromFrame + 1, ends ?? bout.toFrame);
    return {
      ...{ athlete, name: name || 'attack', fromFrame, toFrame, ended },
      ...(lockedFrame !== null && { lockedFrame: Math.min(Math.max(lockedFrame, fromFrame), toFrame) }),
      ...(tradedFor && { tradedFor }),
    };
  });

/** The fields of a coded event for something that happened. */
export function codedFieldsOf(event: FrameEvent): Omit<CodedEvent, 'id' | 'footageId' | 'codingId'> {
  const given = event as Partial<Record<string, unknown>>;
  return {
    kind: event.kind,
    atFrame: event.atFrame,
    athlete: (given['athlete'] as Athlete | undefined) ?? null,
    technique: (given['technique'] as string | undefined) ?? null,
    outcome: (given['outcome'] as AttemptOutcome | undefined) ?? null,
    close: given['close'] === true,
    gripped: given['gripped'] === true,
    position: (given['position'] as PositionCode | undefined) ?? null,
    holder: (given['holder'] as Holder | undefined) ?? null,
    ...(typeof given['name'] === 'string' && { name: given['name'] }),
  };
}
