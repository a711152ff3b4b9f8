import { describe, expect, it } from 'vitest';
import {
  bringEdge,
  cutsOfSpans,
  describeAt,
  mergeCut,
  moveCut,
  putPosition,
  spansOfCuts,
  splitAt,
  type Cut,
  type CutEdit,
} from './cuts.ts';
import { positionCodes, tilingFault } from '../positions/index.ts';
import { pick, seeded } from './testing/random.ts';

const bout = { fromFrame: 100, toFrame: 1000 };
let ids = 0;
const within = { ...bout, newId: () => `c${String((ids += 1)).padStart(6, '0')}` };
const done = (cuts: readonly Cut[], edits: readonly CutEdit[]): Cut[] =>
  edits.reduce<Cut[]>(
    (now, edit) => ('drop' in edit ? now.filter(({ id }) => id !== edit.drop) : [...now.filter(({ id }) => id !== edit.put.id), edit.put]),
    [...cuts],
  );
const code = (...said: [frame: number, position: Cut['position'], holder: Cut['holder']][]): Cut[] =>
  said.reduce<Cut[]>((cuts, [frame, position, holder]) => done(cuts, putPosition(cuts, frame, position, holder, within)), []);
const plain = (cuts: readonly Cut[]) =>
  spansOfCuts(cuts, bout.fromFrame, bout.toFrame).map(({ position, holder, fromFrame, toFrame }) => [position, holder, fromFrame, toFrame]);

describe('coding a bout', () => {
  it('says what it is from here on; the first holds from the bout’s start', () => {
    expect(plain(code([300, 'standing', null], [400, 'half-guard', 'client'], [700, 'mount', 'client']))).toEqual([
      ['standing', null, 100, 400],
      ['half-guard', 'client', 400, 700],
      ['mount', 'client', 700, 1000],
    ]);
  });

  it('changes the position on the very frame of an edge, and says nothing twice', () => {
    const cuts = code([100, 'standing', null], [400, 'half-guard', 'client']);
    expect(plain(done(cuts, putPosition(cuts, 400, 'turtle', 'partner', within)))[1]).toEqual(['turtle', 'partner', 400, 1000]);
    expect(putPosition(cuts, 600, 'half-guard', 'client', within)).toEqual([]);
  });

  it('gives neutral positions no holder, and the others one', () => {
    expect(plain(code([100, 'scramble', 'client'], [400, 'mount', null]))).toEqual([
      ['scramble', null, 100, 400],
      ['mount', 'client', 400, 1000],
    ]);
  });

  it('moves an edge no further than its neighbours, splits, and merges into the span before', () => {
    const cuts = code([100, 'standing', null], [400, 'half-guard', 'client'], [500, 'mount', 'client']);
    const edge = cuts.find(({ position }) => position === 'half-guard')!.id;
    expect(plain(done(cuts, moveCut(cuts, edge, 9999, bout)))[1]).toEqual(['half-guard', 'client', 499, 500]);
    expect(plain(done(cuts, moveCut(cuts, edge, 0, bout)))[0]).toEqual(['standing', null, 100, 101]);
    expect(moveCut(cuts, cuts[0]!.id, 200, bout)).toEqual([]);
    expect(plain(done(cuts, splitAt(cuts, 450, within))).slice(1, 3)).toEqual([
      ['half-guard', 'client', 400, 450],
      ['half-guard', 'client', 450, 500],
    ]);
    expect(plain(done(cuts, mergeCut(edge)))).toEqual([
      ['standing', null, 100, 500],
      ['mount', 'client', 500, 1000],
    ]);
  });

  it('brings an edge to this frame: by saying early what comes next, or by asking for the nearest', () => {
    const cuts = code([100, 'standing', null], [400, 'half-guard', 'client'], [500, 'mount', 'client']);
    expect(plain(done(cuts, putPosition(cuts, 380, 'half-guard', 'client', within)))).toEqual([
      ['standing', null, 100, 380],
      ['half-guard', 'client', 380, 500],
      ['mount', 'client', 500, 1000],
    ]);
    expect(plain(done(cuts, bringEdge(cuts, 520, bout)))[2]).toEqual(['mount', 'client', 520, 1000]);
    expect(plain(done(cuts, bringEdge(cuts, 430, bout)))[1]).toEqual(['half-guard', 'client', 430, 500]);
    expect(bringEdge(code([100, 'standing', null]), 300, bout)).toEqual([]);
  });

  it('reads spans and gives them back', () => {
    const spans = spansOfCuts(code([100, 'standing', null], [400, 'half-guard', 'partner']), 100, 1000).map(({ id: _id, ...span }) => span);
    expect(spansOfCuts(cutsOfSpans(spans, within.newId), 100, 1000).map(({ id: _id, ...span }) => span)).toEqual(spans);
  });

  it.each([1, 2, 3, 4, 5])('tiles the bout whatever is done, by two at once and with the bout’s edges moved (seed %i)', (seed) => {
    const random = seeded(seed);
    const frame = (): number => Math.floor(random() * 1200);
    let cuts: Cut[] = [];
    for (let i = 0; i < 400; i++) {
      // Two people act on what they last saw; their edits then meet.
      const seen = cuts;
      const act = (): CutEdit[] => {
        const some = seen.length > 0 ? pick(random, seen).id : '';
        const dice = random();
        if (dice < 0.5) return putPosition(seen, frame(), pick(random, positionCodes), pick(random, ['client', 'partner', null]), within);
        if (dice < 0.7) return moveCut(seen, some, frame(), bout);
        return dice < 0.85 ? splitAt(seen, frame(), within) : mergeCut(some);
      };
      cuts = done(cuts, [...act(), ...act()]);
      const edges = random() < 0.1 ? { fromFrame: 50, toFrame: 700 } : bout;
      const spans = spansOfCuts(cuts, edges.fromFrame, edges.toFrame);
      expect(tilingFault(spans, edges.fromFrame, edges.toFrame)).toBeNull();
      expect(new Set(spans.map(({ id }) => id)).size).toBe(spans.length);
    }
    expect(cuts.length).toBeGreaterThan(10);
  });
});

describe('what a stretch is called', () => {
  const called = (cuts: readonly Cut[]) =>
    spansOfCuts(cuts, bout.fromFrame, bout.toFrame).map(({ position, name, posture }) => [position, name ?? null, posture ?? null]);
  const two = () => code([100, 'standing', null], [400, 'half-guard', 'client']);

  it('is of the stretch that is there, stays where the stretch is moved, and can be taken back', () => {
    const named = done(two(), describeAt(two(), 500, { name: 'Lockdown' }, within));
    expect(named.filter(({ name }) => name)).toHaveLength(1);
    const cuts = two();
    const both = done(cuts, describeAt(cuts, 500, { name: 'Lockdown' }, within));
    const more = done(both, describeAt(both, 999, { posture: { top: 'knees' } }, within));
    expect(called(more)).toEqual([
      ['standing', null, null],
      ['half-guard', 'Lockdown', { top: 'knees' }],
    ]);
    const moved = done(more, moveCut(more, more.find(({ name }) => name)!.id, 450, bout));
    expect(called(moved)).toEqual(called(more));
    const less = done(more, describeAt(more, 500, { name: null }, within));
    expect(called(less)[1]).toEqual(['half-guard', null, { top: 'knees' }]);
    expect(called(done(less, describeAt(less, 500, { posture: {} }, within)))[1]).toEqual(['half-guard', null, null]);
    expect(describeAt([], 500, { name: 'x' }, within)).toEqual([]);
  });

  it('goes with the position: another one on the same edge is not called so', () => {
    const cuts = two();
    const named = done(cuts, describeAt(cuts, 400, { name: 'Lockdown' }, within));
    const changed = done(named, putPosition(named, 400, 'mount', 'client', within));
    expect(called(changed)).toEqual([
      ['standing', null, null],
      ['mount', null, null],
    ]);
    expect(plain(changed)).toEqual([
      ['standing', null, 100, 400],
      ['mount', 'client', 400, 1000],
    ]);
  });
});
