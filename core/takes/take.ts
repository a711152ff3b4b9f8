import type { Caption, ChapterStart, Drawing, DrawingTool, StageView, StrokeColour, StrokeWeight, TakeStretch } from '../desk/index.ts';
import type { FrameIndex, Seconds } from '../footage/index.ts';
import type { CoachShape } from './coachCorner.ts';
import type { TakeComparison } from './comparison.ts';

/** How fast the footage runs under the voice: below 0 backwards; 0 is rest. */
export const [slowestRate, fastestRate] = [-1, 2];

/** A drawing as its copy in the take: whatever the desk does later, the take shows this. */
export type TakeDrawing = Omit<Drawing, 'footageId'>;

/** A spot of a stroke, when the pen was there in ms since the stroke began, and how hard it pressed (0..1), where a pen did. */
export type StrokePoint = readonly [x: number, y: number, ms: number, pressure?: number];

/** What was drawn while the coach spoke, as it grew. */
export interface Stroke {
  id: string;
  tool: DrawingTool;
  colour: StrokeColour;
  weight: StrokeWeight;
  /** What a label says; empty for other tools. */
  words: string;
  points: readonly StrokePoint[];
}

export interface OpenNote {
  id: string;
  words: string;
}

/** The whole stage at once: where a take begins, and where something was cut out of it. */
export interface WholeStage {
  frame: FrameIndex;
  rate: number;
  /** Where the footage runs: how far beyond the beginning of that frame it has come, in its own seconds; absent: not at all. */
  into?: Seconds;
  view: StageView;
  mirrored: boolean;
  /** `ago`: how many seconds before this instant each began. */
  strokes: readonly (Stroke & { ago: Seconds })[];
  drawings: readonly TakeDrawing[];
  note: OpenNote | null;
  /** The compare tray, where it lies over the stage. */
  compare?: TakeComparison | null;
  /** How the coach is seen in a corner; absent: not at all. */
  coach?: CoachShape;
}

/**
 * Something done on the desk while the voice ran; `t` is in seconds of the voice, ascending. `show`, `run` and `stop` name the frame that
 * was seen at that instant. A `view` that follows another within `viewSlide` is one movement with it.
 */
export type TakeEvent = { t: Seconds } & (
  | ({ kind: 'stage' } & WholeStage)
  | { kind: 'show'; frame: FrameIndex }
  | { kind: 'run'; frame: FrameIndex; rate: number }
  | { kind: 'stop'; frame: FrameIndex }
  | ({ kind: 'view' } & StageView)
  | { kind: 'mirror'; on: boolean }
  | ({ kind: 'stroke' } & Stroke)
  | { kind: 'rub'; id: string }
  | { kind: 'drawings'; shown: readonly TakeDrawing[] }
  | { kind: 'note'; id: string; open: boolean; words: string }
  | { kind: 'compare'; shown: TakeComparison | null }
);

export type { Caption, TakeStretch };

/** One recording of the coach's voice with everything done on the desk meanwhile. All times are of the recording, before cuts. */
export interface Take {
  /** Length of the recording. */
  seconds: Seconds;
  events: readonly TakeEvent[];
  cuts: readonly TakeStretch[];
  captions: readonly Caption[];
  chapters: readonly ChapterStart[];
}

/** Two views this close, in seconds, belong to one movement of the hand, which is straight between them. */
export const viewSlide = 0.1;
