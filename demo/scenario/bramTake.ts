import type { DeskTake, Drawing } from '@lean-mentor/core/desk';
import { spreadCaptions, type StrokePoint, type TakeEvent } from '@lean-mentor/core/takes';
import { bramDesk } from './desks.ts';
import { footageId } from './footageId.ts';
import { stableId } from './stableId.ts';

const note = (frame: number): string => stableId(`note bram ${frame}`);
const whole = { zoom: 1, x: 0, y: 0 };

/** The desk's drawings on a frame, as a take keeps them. */
const drawn = (frame: number): Omit<Drawing, 'footageId'>[] =>
  Object.values(bramDesk.drawings)
    .filter(({ fromFrame, toFrame }) => fromFrame <= frame && frame < toFrame)
    .map(({ footageId: _, ...drawing }) => drawing);

const stroke = (id: string, tool: 'ring' | 'bent-arrow' | 'arrow', points: StrokePoint[]) =>
  ({ kind: 'stroke', id: stableId(`stroke bram ${id}`), tool, colour: 'client', weight: 'bold', words: '', points }) as const;
const rub = (id: string) => ({ kind: 'rub', id: stableId(`stroke bram ${id}`) }) as const;
const opened = (frame: number, open: boolean) =>
  ({ kind: 'note', id: note(frame), open, words: bramDesk.notes[note(frame)]!.what }) as const;

type Done = TakeEvent extends infer E ? (E extends { t: number } ? Omit<E, 't'> : never) : never;

interface Line {
  say: string;
  /** A chapter that begins with it. */
  chapter?: string;
  /** What is done, and when: as a share of the time for which the line is spoken. */
  does: readonly [share: number, ...Done[]][];
}

/** What is said to Bram, line by line, and what is done on the desk meanwhile. Frames are of his night-shift round, 30 a second. */
export const bramLines: readonly Line[] = [
  {
    chapter: 'What you asked',
    say: 'Hello Bram. You asked why you sweep people and cannot stay on top. I looked at the whole round twice. Here is what I see.',
    does: [],
  },
  {
    chapter: 'What went well',
    say: 'Start with what went well. Watch this sweep.',
    does: [
      [0.1, { kind: 'show', frame: 392 }],
      [0.45, { kind: 'run', frame: 392, rate: 1 }],
    ],
  },
  {
    say: 'You hold his arm with both hands while your hips turn him. He has nothing to post with on that side. That is why it worked. Keep that.',
    does: [
      [0, { kind: 'stop', frame: 452 }, opened(452, true)],
      [
        0.08,
        stroke('arm', 'ring', [
          [0.36, 0.42, 0],
          [0.48, 0.63, 900],
        ]),
      ],
      [0.97, rub('arm'), opened(452, false)],
    ],
  },
  {
    chapter: 'Low in mount when they bridge',
    say: 'Now look at what comes after. I run it slowly.',
    does: [
      [0.1, { kind: 'show', frame: 600 }],
      [0.5, { kind: 'run', frame: 600, rate: 0.5 }],
    ],
  },
  {
    say: 'Stop here. You sit tall in mount, and both your hands are between his arms. He needs one bridge to roll you, and he takes it.',
    does: [[0, { kind: 'stop', frame: 636 }, { kind: 'drawings', shown: drawn(636) }, opened(636, true)]],
  },
  {
    say: 'There it goes.',
    does: [[0, { kind: 'drawings', shown: [] }, { kind: 'run', frame: 636, rate: 1 }]],
  },
  {
    say: 'Back again, as slowly as we like.',
    does: [[0, { kind: 'run', frame: 690, rate: -0.5 }]],
  },
  {
    say: 'This hand goes wide, beyond his head. Your chest drops low. Your knees climb up under his elbows.',
    does: [
      [0, { kind: 'stop', frame: 636 }, { kind: 'drawings', shown: drawn(636) }],
      [0.1, { kind: 'view', zoom: 1.6, x: 0.3, y: 0.3 }],
    ],
  },
  {
    say: 'If he holds a wrist, slide that knee up under his elbow before anything else. If he bridges, post the hand wide and drop your chest.',
    does: [
      [
        0.5,
        stroke('wide', 'arrow', [
          [0.6, 0.55, 0],
          [0.82, 0.5, 800],
        ]),
      ],
      [0.98, rub('wide')],
    ],
  },
  {
    say: 'Hands wide, chest low, knees up high. Then his bridge has nothing to turn.',
    does: [[0.95, { kind: 'view', ...whole }, { kind: 'drawings', shown: [] }, opened(636, false)]],
  },
  {
    chapter: 'Hooks carry, hands steer',
    say: 'The second thing is small. Here he leans in toward you.',
    does: [
      [0.1, { kind: 'show', frame: 1254 }],
      [0.5, { kind: 'run', frame: 1254, rate: 0.75 }],
    ],
  },
  {
    say: 'He leans in for five seconds, and you hold still. One pull would have brought his weight over your hooks. Feel their weight, then lift.',
    does: [
      [0, { kind: 'stop', frame: 1290 }, opened(1290, true)],
      [0.3, { kind: 'drawings', shown: drawn(1290) }],
    ],
  },
  {
    say: 'So: go under one arm, trap his other hand, and fall to that hand. Lift the hook on the side of your underhook.',
    does: [[0.97, { kind: 'drawings', shown: [] }, opened(1290, false)]],
  },
  {
    chapter: 'Your work',
    say: 'For the next two weeks, ride the bridge, five minutes in each training. Apply slowly, tap early, and be kind to your partner. Then send me your next round, Bram.',
    does: [[0, { kind: 'show', frame: 0 }]],
  },
];

/** Between two lines, in seconds. */
export const lineGap = 0.6;

const takeId = stableId('take bram');
const round = (seconds: number): number => Math.round(seconds * 1000) / 1000;

/** The take itself; `spoken`: how long each line is spoken, in seconds, as the voice was made. */
export function bramTake(spoken: readonly number[]): { take: DeskTake; seconds: number; events: TakeEvent[] } {
  const events: TakeEvent[] = [
    { t: 0, kind: 'stage', frame: 0, rate: 0, view: whole, mirrored: false, strokes: [], drawings: [], note: null },
  ];
  const [captions, chapters]: [DeskTake['captions'], DeskTake['chapters']] = [[], []];
  let at = 0;
  bramLines.forEach(({ say, chapter, does }, i) => {
    const long = spoken[i]!;
    if (chapter) chapters.push({ from: round(at), title: chapter });
    captions.push(
      ...spreadCaptions(say, { from: at, to: at + long }).map((one) => ({
        ...one,
        from: round(one.from),
        to: round(one.to),
        origin: 'typed' as const,
      })),
    );
    for (const [share, ...done] of does) events.push(...done.map((one) => ({ ...one, t: round(at + share * long) }) as TakeEvent));
    at += long + lineGap;
  });
  const take = { id: takeId, footageId: footageId('bram-night-shift'), title: 'Spoken over your round', cuts: [], captions, chapters };
  return { take, seconds: at, events };
}
