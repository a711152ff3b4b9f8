import type { PracticeFile } from '@lean-mentor/contract';
import { blankNote, emptyDesk } from '@lean-mentor/core/desk';
import { footageId } from './footageId.ts';
import { stableId } from './stableId.ts';

type Desk = NonNullable<PracticeFile['requests'][number]['document']>;
type Note = Desk['notes'][string];
type Drawing = Desk['drawings'][string];

/** Whose footage lies on whose desk. */
const footageOf = { ilse: footageId('ilse-harbour-round'), bram: footageId('bram-night-shift') };
type Who = keyof typeof footageOf;

export const byId = <T extends { id: string }>(things: T[]): Record<string, T> => Object.fromEntries(things.map((t) => [t.id, t]));

const marks = (who: Who, frames: { atFrame: number; state: 'open' | 'noted' | 'let-go' }[]): Desk['marks'] =>
  byId(frames.map((mark) => ({ toFrame: null, id: stableId(`mark ${who} ${mark.atFrame}`), footageId: footageOf[who], ...mark })));

const note = (who: Who, fromFrame: number, kind: Note['kind'], what: string, instead: Note['instead'], more: Partial<Note> = {}): Note =>
  blankNote({
    id: stableId(`note ${who} ${fromFrame}`),
    footageId: footageOf[who],
    fromFrame,
    kind,
    what,
    instead,
    markId: stableId(`mark ${who} ${fromFrame}`),
    ...more,
  });

const drawing = (who: Who, fromFrame: number, tool: Drawing['tool'], colour: Drawing['colour'], points: [number, number][]): Drawing => ({
  id: stableId(`drawing ${who} ${fromFrame} ${tool}`),
  footageId: footageOf[who],
  tool,
  colour,
  weight: 'plain',
  words: '',
  keys: [],
  points: points.map(([x, y]) => ({ x, y })),
  fromFrame,
  toFrame: fromFrame + 30,
});

const principle = (name: string): Desk['principles'][string] => ({ id: stableId(`principle ${name}`), name });
/** Of the coach's book, as far as these desks name them. */
export const principles = {
  hand: principle('Bottom hand stays on the near arm'),
  frames: principle('Frame at the hip before the shoulders are flat'),
  posture: principle('Break the posture before you turn them'),
  mount: principle('Low in mount when they bridge'),
  hooks: principle('Hooks carry, hands steer'),
};

/** Ilse's desk, half-way: the first look is done, two notes are written. */
export const ilseDesk: Desk = {
  ...emptyDesk(),
  marks: marks('ilse', [
    { atFrame: 285, state: 'open' },
    { atFrame: 738, state: 'noted' },
    { atFrame: 892, state: 'noted' },
    { atFrame: 1020, state: 'noted' },
    { atFrame: 1110, state: 'open' },
    { atFrame: 1390, state: 'open' },
  ]),
  principles: byId(Object.values(principles)),
  looks: byId(
    [
      { fromFrame: 0, toFrame: 900, during: 'first' as const },
      { fromFrame: 900, toFrame: 1500, during: 'first' as const },
      { fromFrame: 840, toFrame: 960, during: 'second' as const },
      { fromFrame: 860, toFrame: 930, during: 'second' as const },
      { fromFrame: 700, toFrame: 760, during: 'second' as const },
    ].map((look, i) => ({ id: stableId(`look ilse ${i}`), footageId: footageOf.ilse, ...look })),
  ),
  measures: byId([
    {
      id: stableId('measure ilse 892'),
      footageId: footageOf.ilse,
      atFrame: 892,
      toFrame: 900,
      input: { kind: 'time' as const },
      result: { value: 8 / 30, unit: 's' as const, plusMinus: 1 / 30, words: '0.27 s ± 0.03 s, 8 frames.' },
      drawn: false,
    },
  ]),
  notes: byId([
    note('ilse', 738, 'good', 'Flattened once, and you still put the shin back between you before he could settle.', [], { severity: 1 }),
    note(
      'ilse',
      892,
      'mistake',
      'Both your arms are long, hands on his arms, and no forearm holds him off; the knee line falls to the mat a moment later.',
      [
        { when: 'he drives the knee across', do: 'keep the forearm on his biceps and turn your hip out under the shield' },
        { when: 'the knee is already flat', do: 'go under the arm to half guard at once, do not push' },
      ],
      { principleId: principles.hand.id },
    ),
    note('ilse', 1020, 'mistake', 'Flat on both shoulders under side control: the hand at his hip carries nothing from there.', [], {
      severity: 3,
      principleId: principles.frames.id,
      causes: [stableId('note ilse 892')],
    }),
  ]),
  drawings: byId([
    drawing('ilse', 892, 'arrow', 'client', [
      [0.46, 0.4],
      [0.53, 0.3],
    ]),
    drawing('ilse', 892, 'freehand', 'chalk', [
      [0.5, 0.62],
      [0.515, 0.55],
      [0.53, 0.5],
      [0.55, 0.48],
      [0.57, 0.5],
      [0.585, 0.55],
      [0.6, 0.62],
    ]),
  ]),
};

/** Bram's desk as it was when his critique was sent. */
export const bramDesk: Desk = {
  ...emptyDesk(),
  principles: byId(Object.values(principles)),
  marks: marks('bram', [
    { atFrame: 452, state: 'noted' },
    { atFrame: 636, state: 'noted' },
    { atFrame: 1060, state: 'let-go' },
    { atFrame: 1290, state: 'noted' },
  ]),
  notes: byId([
    note(
      'bram',
      452,
      'good',
      'You hold his arm with both hands while your hips turn him. He has nothing to post with on that side; that is why it worked.',
      [],
      {
        severity: 1,
      },
    ),
    note(
      'bram',
      636,
      'mistake',
      'In mount you sit tall with both hands between his arms. He needs one bridge to roll you, and he takes it.',
      [
        { when: 'he holds a wrist', do: 'slide that knee up under his elbow before anything else' },
        { when: 'he bridges', do: 'post the hand wide beyond his head and drop your chest low' },
      ],
      { severity: 3, principleId: principles.mount.id },
    ),
    note(
      'bram',
      1290,
      'missed-chance',
      'He leans in toward you for five seconds and you hold still. One pull would have brought his weight over your hooks.',
      [
        {
          when: 'he leans in',
          do: 'go under one arm, trap his other hand, fall to that hand and lift the hook on the side of your underhook',
        },
      ],
      {
        principleId: principles.hooks.id,
        fork: {
          opensFrame: 1275,
          lastFrame: 1290,
          actedFrame: null,
          options: [
            { do: 'Under one arm, trap his other hand, and fall to that hand', taken: false },
            { do: 'Push him off with both feet', taken: false },
            { do: 'Hold still and wait for more', taken: true },
          ],
        },
      },
    ),
  ]),
  drawings: byId([
    drawing('bram', 636, 'arrow', 'client', [
      [0.61, 0.58],
      [0.77, 0.79],
    ]),
    drawing('bram', 1290, 'freehand', 'client', [
      [0.52, 0.74],
      [0.53, 0.68],
      [0.55, 0.61],
      [0.57, 0.54],
      [0.6, 0.47],
      [0.63, 0.41],
    ]),
  ]),
};
