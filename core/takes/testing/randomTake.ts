import fc from 'fast-check';
import type { FrameTable } from '../../footage/index.ts';
import type { StrokePoint, Take, TakeEvent, TakeStretch } from '../take.ts';

/** Footage with uneven frame times, as phones make it. */
export const randomTable: fc.Arbitrary<FrameTable> = fc
  .array(fc.integer({ min: 15, max: 60 }), { minLength: 40, maxLength: 400 })
  .map((gaps) => {
    let at = 0;
    const times = gaps.map((ms) => {
      const seconds = at / 1000;
      at += ms;
      return seconds;
    });
    return { times, endSeconds: at / 1000 };
  });

const view = fc.record({
  zoom: fc.integer({ min: 1, max: 8 }),
  x: fc.double({ min: 0, max: 0.8, noNaN: true }),
  y: fc.double({ min: 0, max: 0.8, noNaN: true }),
});
const share = fc.double({ min: 0, max: 1, noNaN: true });
const points: fc.Arbitrary<StrokePoint[]> = fc
  .array(fc.tuple(share, share, fc.integer({ min: 0, max: 400 })), { minLength: 1, maxLength: 8 })
  .map((all) => {
    let ms = 0;
    return all.map(([x, y, gap], i) => [x, y, (ms += i === 0 ? 0 : gap)] as const);
  });
const ids = fc.constantFrom('a', 'b', 'c');
const stroke = fc.record({
  id: ids,
  tool: fc.constantFrom('arrow', 'freehand', 'ring'),
  colour: fc.constantFrom('client', 'partner', 'chalk'),
  weight: fc.constantFrom('thin', 'bold'),
  words: fc.constant(''),
  points,
});
const frame = fc.nat({ max: 39 });
const rate = fc.constantFrom(-1, -0.5, -0.25, 0.25, 0.5, 1, 2);
const footageIds = ['6f0c2f6e-3f0b-4a56-9a4c-0e2f6b1f9a01', '6f0c2f6e-3f0b-4a56-9a4c-0e2f6b1f9a02'] as const;
/** What the compare tray may show: resting, running on, or over and over. */
export const randomComparison = fc.record({
  layout: fc.constantFrom('side', 'over'),
  opacity: fc.constantFrom(0.3, 0.5),
  items: fc.array(
    fc.record({
      footageId: fc.constantFrom(...footageIds),
      anchorFrame: frame,
      range: fc.constantFrom(null, { fromFrame: 3, toFrame: 20 }),
      mirrored: fc.boolean(),
    }),
    { minLength: 1, maxLength: 4 },
  ),
  offset: fc.constantFrom(0, 0.25, -0.5),
  rate: fc.constantFrom(0, 0.5),
  span: fc.constantFrom(null, { from: -0.5, to: 0.75 }),
});
const happening = fc.oneof(
  fc.record({ kind: fc.constant('show'), frame }),
  fc.record({ kind: fc.constant('run'), frame, rate }),
  fc.record({ kind: fc.constant('run'), frame, rate }),
  fc.record({ kind: fc.constant('stop'), frame }),
  view.map((one) => ({ kind: 'view', ...one })),
  fc.record({ kind: fc.constant('mirror'), on: fc.boolean() }),
  stroke.map((one) => ({ kind: 'stroke', ...one })),
  fc.record({ kind: fc.constant('rub'), id: ids }),
  fc.record({ kind: fc.constant('note'), id: ids, open: fc.boolean(), words: fc.constant('Elbow.') }),
  fc.record({ kind: fc.constant('compare'), shown: fc.option(randomComparison) }),
);

const begin: TakeEvent = {
  ...{ t: 0, kind: 'stage', frame: 0, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false },
  ...{ strokes: [], drawings: [], note: null },
};

/** An instant to the millisecond, as clocks have it. */
const instantWithin = (seconds: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: Math.round(seconds * 1000) }).map((ms) => ms / 1000);
const stretchWithin = (seconds: number): fc.Arbitrary<TakeStretch> =>
  fc.tuple(instantWithin(seconds), instantWithin(seconds)).map(([a, b]) => ({ from: Math.min(a, b), to: Math.max(a, b) }));

/** A take of up to a minute in which anything may happen at any time, a few of them close together. */
export const randomTake: fc.Arbitrary<Take> = fc
  .array(fc.tuple(fc.oneof(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 0, max: 4000 })), happening), { maxLength: 30 })
  .chain((steps) => {
    let ms = 0;
    const events = steps.map(([gap, event]) => ({ t: (ms += gap) / 1000, ...event }) as TakeEvent);
    const seconds = ms / 1000 + 1;
    return fc.record({
      seconds: fc.constant(seconds),
      events: fc.constant([begin, ...events]),
      cuts: fc.array(stretchWithin(seconds), { maxLength: 4 }),
      captions: fc.array(
        stretchWithin(seconds).map((one) => ({ ...one, words: 'so', origin: 'typed' as const })),
        { maxLength: 4 },
      ),
      chapters: fc.array(
        instantWithin(seconds).map((from) => ({ from, title: 'Fix' })),
        { maxLength: 4 },
      ),
    });
  });
