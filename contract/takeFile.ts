import { comparisonLayouts, drawingTools, strokeColours, strokeWeights, wholePicture } from '@lean-mentor/core/desk';
import { frameTableFault, type FrameTable } from '@lean-mentor/core/footage';
import { coachShapes, fastestRate, slowestRate, type Take } from '@lean-mentor/core/takes';
import { z } from 'zod';
import { drawing } from './desk.ts';
import { takeCaptions, takeChapters, takeCuts, takeSeconds as seconds } from './deskTake.ts';
import { id } from './ids.ts';
import { schemaFault } from './schemaFault.ts';

export const takeFormat = 'lean-mentor/take@1';

const name = z.string().min(1).max(200);
const frame = z.int().min(0);
const share = z.number().min(0).max(1);
const view = z.object({ zoom: z.number().min(1).max(8), x: share, y: share });
const rate = z.number().min(slowestRate).max(fastestRate);
/** x and y as shares of the picture, ms since the stroke began, and how hard a pen pressed, where one did. */
const strokePoint = z.tuple([share, share, z.number().min(0).max(3_600_000), share.optional()]);
const stroke = z.object({
  id: name,
  tool: z.enum(drawingTools),
  colour: z.enum(strokeColours),
  weight: z.enum(strokeWeights).default('plain'),
  words: z.string().max(120).default(''),
  points: z.array(strokePoint).min(1).max(10_000),
});
const copies = z.array(drawing.omit({ id: true, footageId: true }).extend({ id: name })).max(500);
const compare = z.object({
  layout: z.enum(comparisonLayouts),
  opacity: share,
  items: z
    .array(
      z.object({
        footageId: id,
        anchorFrame: frame,
        range: z.object({ fromFrame: frame, toFrame: frame }).nullable(),
        mirrored: z.boolean(),
      }),
    )
    .min(1)
    .max(4),
  /** How far all are from their anchors, in seconds, how fast that grows, and between which it is played over and over. */
  offset: z.number().min(-36_000).max(36_000),
  rate,
  span: z.object({ from: z.number().min(-36_000), to: z.number().max(36_000) }).nullable(),
});
const t = seconds;

/** Something done on the desk while the voice ran; `t` in seconds of the voice. */
export const takeEvent = z.discriminatedUnion('kind', [
  z.object({
    t,
    kind: z.literal('stage'),
    frame,
    rate: rate.default(0),
    into: z.number().min(-36_000).max(36_000).optional(),
    view: view.default({ ...wholePicture }),
    mirrored: z.boolean().default(false),
    strokes: z
      .array(stroke.extend({ ago: seconds }))
      .max(500)
      .default([]),
    drawings: copies.default([]),
    note: z
      .object({ id: name, words: z.string().max(2000) })
      .nullable()
      .default(null),
    compare: compare.nullable().optional(),
    /** How the coach is seen in a corner, where a camera was on. */
    coach: z.enum(coachShapes).optional(),
  }),
  z.object({ t, kind: z.literal('show'), frame }),
  z.object({ t, kind: z.literal('run'), frame, rate }),
  z.object({ t, kind: z.literal('stop'), frame }),
  view.extend({ t, kind: z.literal('view') }),
  z.object({ t, kind: z.literal('mirror'), on: z.boolean() }),
  stroke.extend({ t, kind: z.literal('stroke') }),
  z.object({ t, kind: z.literal('rub'), id: name }),
  z.object({ t, kind: z.literal('drawings'), shown: copies }),
  z.object({ t, kind: z.literal('note'), id: name, open: z.boolean(), words: z.string().max(2000).default('') }),
  z.object({ t, kind: z.literal('compare'), shown: compare.nullable() }),
]);

/** A spoken critique with its voice beside it (format lean-mentor/take@1). All times are seconds of the recording, before cuts. */
export const takeFile = z.object({
  format: z.literal(takeFormat),
  /** Length of the recording. */
  seconds: seconds.positive(),
  /** The sound file, and how much later in it everything is heard than `t` says. */
  voice: z.object({ file: name, offsetSeconds: z.number().min(-5).max(5).default(0) }),
  /** Seconds of every frame of the footage, and where the last one ends. Without them the take goes with its footage. */
  frameTimes: z.array(z.number().min(0)).min(1).max(2_000_000).optional(),
  endSeconds: seconds.optional(),
  events: z.array(takeEvent).min(1).max(200_000),
  cuts: takeCuts.default([]),
  captions: takeCaptions.default([]),
  chapters: takeChapters.default([]),
});
export type TakeFile = z.infer<typeof takeFile>;

export type ReadTake = { file: TakeFile; take: Take; table: FrameTable } | { faults: string[] };

/** Frames of a film nobody has the times of: only what rests can be read. */
const untimed = (file: TakeFile): FrameTable => {
  const last = Math.max(...file.events.map((one) => ('frame' in one ? one.frame : 0)));
  return { times: Array.from({ length: last + 1 }, (_, i) => i), endSeconds: last + 1 };
};

function tableOf({ frameTimes, endSeconds }: TakeFile): FrameTable | null {
  if (!frameTimes) return null;
  const [before, last] = [frameTimes.at(-2) ?? 0, frameTimes.at(-1)!];
  return { times: frameTimes, endSeconds: endSeconds ?? last + Math.max(0.001, last - before) };
}

/** What contradicts itself in a take whose parts are right each by itself, every fault with its place. */
function takeFaults(file: TakeFile, table: FrameTable | null): string[] {
  const faults: string[] = [];
  const timesFault = table && frameTableFault(table.times, table.endSeconds);
  if (timesFault) faults.push(`frameTimes: ${timesFault}`);
  const [first] = file.events;
  if (first?.kind !== 'stage' || first.t !== 0) faults.push('events[0] is not the whole stage at 0 s: a take begins with it.');
  file.events.forEach((one, i) => {
    const at = `events[${i}]`;
    const before = file.events[i - 1];
    if (before && one.t < before.t) faults.push(`${at}.t ${one.t} s is before the event before it, at ${before.t} s.`);
    if (one.t > file.seconds) faults.push(`${at}.t ${one.t} s is after the end of the recording at ${file.seconds} s.`);
    if ('frame' in one && table && one.frame >= table.times.length)
      faults.push(`${at}.frame ${one.frame} is beyond the last frame, ${table.times.length - 1}.`);
    if ('rate' in one && one.rate !== 0 && !table) faults.push(`${at} runs, which needs frameTimes.`);
    const points = one.kind === 'stroke' ? one.points : [];
    const back = points.findIndex(([, , ms], j) => j > 0 && ms < points[j - 1]![2]);
    if (back > 0) faults.push(`${at}.points[${back}] is drawn before the point before it.`);
  });
  for (const [what, stretches] of [['cuts', file.cuts] as const, ['captions', file.captions] as const])
    stretches.forEach(({ from, to }, i) => {
      if (to <= from) faults.push(`${what}[${i}] from ${from} to ${to} s is no stretch.`);
      if (to > file.seconds) faults.push(`${what}[${i}].to ${to} s is after the end of the recording at ${file.seconds} s.`);
    });
  return faults;
}

/** Reads a take file that was parsed from JSON. Every fault is told with its place. */
export function readTakeFile(json: unknown): ReadTake {
  const parsed = takeFile.safeParse(json);
  if (!parsed.success) return { faults: parsed.error.issues.flatMap((issue) => schemaFault(json, issue)) };
  const file = parsed.data;
  const table = tableOf(file);
  const faults = takeFaults(file, table);
  if (faults.length > 0) return { faults };
  const { seconds: length, events, cuts, captions, chapters } = file;
  return { file, take: { seconds: length, events: events as Take['events'], cuts, captions, chapters }, table: table ?? untimed(file) };
}
