import { bodyOf } from '../figure/body.ts';
import type { ClipPlan, Fault, Holder } from './clipPlan.ts';
import { solvePairAt, type MotionKey, type Pair } from './motion.ts';

/** What is really true of a clip. Frames: `from` inclusive, `to` exclusive. Seconds are of the clip, not of the bout. */
export interface GroundTruth {
  clip: string;
  fps: number;
  frameCount: number;
  seconds: number;
  bells: number[];
  bout: { fromFrame: number; toFrame: number };
  spans: { position: string; holder: Holder; fromFrame: number; toFrame: number }[];
  events: { kind: string; athlete: 'client' | 'partner'; technique?: string; outcome?: string; atFrame: number }[];
  impacts: number[];
  faults: Fault[];
  words: { client: string; partner: string };
}

export interface Timeline {
  keys: MotionKey[];
  /** Seconds at which each step's change begins. */
  starts: number[];
  boutFrom: number;
  boutTo: number;
  seconds: number;
}

/** Lays the steps of a plan end to end: stand apart, bell, the steps, bell, stand still. */
export function timelineOf(plan: ClipPlan): Timeline {
  const keys: MotionKey[] = [{ at: 0, until: plan.lead, pose: 'stance' }];
  const starts: number[] = [];
  let now = plan.lead;
  for (const s of plan.steps) {
    starts.push(now);
    const at = now + s.change;
    keys.push({
      at,
      until: at + s.hold,
      pose: s.pose,
      ...(s.placement && { placement: s.placement }),
      ...(s.through && { through: true }),
    });
    now = at + s.hold;
  }
  keys[keys.length - 1]!.until = now + plan.tail;
  return { keys, starts, boutFrom: plan.lead, boutTo: now, seconds: now + plan.tail };
}

/** Both athletes at a frame, in metres; joint positions of every frame come from here, so they need not be stored. */
export function pairAtFrame(plan: ClipPlan, timeline: Timeline, frame: number): Pair {
  return solvePairAt(
    timeline.keys,
    frame / plan.fps,
    { A: bodyOf(plan.client.heightMetres), B: bodyOf(plan.partner.heightMetres) },
    plan.seed,
  );
}

/** The truth of a plan: spans change half-way through each change of pose; neighbours in one position are one span. */
export function groundTruthOf(plan: ClipPlan): GroundTruth {
  const timeline = timelineOf(plan);
  const frameOf = (seconds: number): number => Math.round(seconds * plan.fps);
  const toFrame = frameOf(timeline.boutTo);
  const spans: GroundTruth['spans'] = [{ position: 'standing', holder: null, fromFrame: frameOf(timeline.boutFrom), toFrame }];
  plan.steps.forEach((s, i) => {
    const last = spans[spans.length - 1]!;
    if (last.position === s.position && last.holder === s.holder) return;
    const edge = frameOf(timeline.starts[i]! + s.change / 2);
    last.toFrame = edge;
    spans.push({ position: s.position, holder: s.holder, fromFrame: edge, toFrame });
  });
  return {
    clip: plan.name,
    fps: plan.fps,
    frameCount: frameOf(timeline.seconds),
    seconds: timeline.seconds,
    bells: [timeline.boutFrom, timeline.boutTo],
    bout: { fromFrame: frameOf(timeline.boutFrom), toFrame },
    spans,
    events: plan.events.map(({ step, after, ...event }) => ({ ...event, atFrame: frameOf(timeline.starts[step]! + after) })),
    impacts: plan.steps.flatMap((s, i) => (s.impact ? [timeline.starts[i]! + s.change] : [])),
    faults: plan.faults,
    words: { client: plan.client.outfit.words, partner: plan.partner.outfit.words },
  };
}
