import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankPrinciple, type BookPrinciple } from '../book/index.ts';
import { ruleSheets, scoreBout, type TimedBout } from '../scoring/index.ts';
import {
  candidateOf,
  chainCosts,
  footageStarts,
  ladderOf,
  linkFaults,
  rankFixes,
  rankInputOf,
  schoolNames,
  schools,
  type HarmBout,
  type RankedRequest,
  type RequestNote,
} from './index.ts';

const timed: TimedBout = {
  lengthSeconds: 120,
  clockSeconds: 120,
  spans: [
    { position: 'half-guard', holder: 'partner', from: 0, to: 60 },
    { position: 'side-control', holder: 'partner', from: 60, to: 120 },
  ],
  events: [],
};
const bout: HarmBout = { timed, score: scoreBout(timed, ruleSheets['points-jacket']), worth: ruleSheets['points-jacket'].points };
const principle = (id: string, more: Partial<BookPrinciple> = {}): BookPrinciple => blankPrinciple({ id, name: id, ...more });
const note = (id: string, at: number, more: Partial<RequestNote> = {}): RequestNote => ({
  id,
  kind: 'mistake',
  athlete: 'client',
  severity: 2,
  causes: [],
  principleId: null,
  what: id,
  seen: 'clear',
  footage: 0,
  bout: 0,
  atSeconds: at,
  endSeconds: at,
  requestSeconds: at,
  ...more,
});
const request = (more: Partial<RankedRequest> = {}): RankedRequest => ({
  client: { level: 2, asked: [], gamePlan: [] },
  principles: [principle('p', { where: [{ position: 'half-guard', role: 'other' }] })],
  notes: [],
  events: [],
  bouts: [bout],
  minutes: 5,
  history: [],
  ...more,
});

describe('what fixes are ranked from', () => {
  it('has a note that names no principle as a candidate of its own, and nobody’s the partner’s', () => {
    const notes = [note('a', 58), note('b', 10, { principleId: 'p' }), note('c', 12, { athlete: 'partner' })];
    const { input } = rankInputOf(request({ notes }));
    expect(input.notes.map(({ id, principle: of }) => [id, of])).toEqual([
      ['a', 'a'],
      ['b', 'p'],
      ['c', null],
    ]);
    expect(
      rankFixes(input, schools.balanced)
        .map((fix) => fix.principle)
        .sort(),
    ).toEqual(['a', 'p']);
    expect(notes.map(candidateOf)).toEqual(['a', 'p', 'c']);
  });

  it('counts exposure where the principle names positions, and the whole of what is coded otherwise', () => {
    const { input } = rankInputOf(request({ notes: [note('b', 10, { principleId: 'p' })] }));
    expect([input.exposureMinutes, input.boutMinutes]).toEqual([{ p: 1 }, 2]);
  });

  it('goes by the length of the footage where nothing is coded', () => {
    expect(rankInputOf(request({ notes: [note('a', 5)], bouts: [null] })).input.boutMinutes).toBe(5);
  });

  it('keeps footages of a request in their order of time', () => {
    const notes = [note('late', 5, { requestSeconds: 86_405, bout: null }), note('early', 100)];
    const [late, early] = rankInputOf(request({ notes })).input.notes;
    expect(late!.atSeconds).toBeGreaterThan(early!.atSeconds);
  });

  it('lets a second camera’s film begin where it was aligned', () => {
    const starts = footageStarts([
      { id: 'a', alignment: null },
      { id: 'b', alignment: null },
      { id: 'side', alignment: { toFootageId: 'b', offsetSeconds: -2 } },
    ]);
    expect(starts.get('side')).toBe(starts.get('b')! - 2);
    expect(starts.get('b')).toBeGreaterThan(starts.get('a')!);
  });

  it('carries a tap that is linked back to its cause, in another film too, and to what caused that', () => {
    const tap: TimedBout = { ...timed, events: [{ kind: 'finish', athlete: 'partner', technique: 'choke', at: 110 }] };
    const tapped: HarmBout = { ...bout, timed: tap, score: scoreBout(tap, ruleSheets['points-jacket']) };
    const notes = [
      note('yesterday', 5, { bout: null }),
      note('late', 4, { requestSeconds: 86_404, causes: ['yesterday'], kind: 'missed-chance' }),
    ];
    const event = { id: 'tap', causes: ['late'], bout: 0, atSeconds: 110, requestSeconds: 86_510, isFinish: true };
    const { input, unexplained } = rankInputOf(request({ notes, events: [event], bouts: [tapped] }));
    expect(linkFaults([...input.notes, ...input.events])).toEqual([]);
    const costs = chainCosts([...input.notes, ...input.events]);
    const own = Object.fromEntries(input.notes.map(({ id, ownHarm }) => [id, ownHarm]));
    expect(costs.get('tap')).toBe(1);
    expect(costs.get('late')).toBeCloseTo(own['late']! + 0.6, 12);
    expect(costs.get('yesterday')).toBeCloseTo(own['yesterday']! + 0.6 * (own['late']! + 0.6), 12);
    expect(unexplained.some(({ finish }) => finish)).toBe(false);
  });

  it('counts no link that a corrected coding has turned round', () => {
    // The pass at 60 s is said to come from a note at 70 s; the note before it goes on carrying what it cost.
    const event = { id: 'cut', causes: ['late'], bout: 0, atSeconds: 60, requestSeconds: 60, isFinish: false };
    const { input, harms } = rankInputOf(request({ notes: [note('a', 58), note('late', 70)], events: [event] }));
    expect(input.events[0]).toMatchObject({ causes: [], ownHarm: 0 });
    expect(harms['a']!.points).toBe(3);
    expect(linkFaults([...input.notes, ...input.events])).toEqual([]);
  });

  it('forgets causes that are not there any more', () => {
    const { input } = rankInputOf(request({ notes: [note('a', 58, { causes: ['gone'] })] }));
    expect(linkFaults(input.notes)).toEqual([]);
  });

  it('pins what a caution names', () => {
    const { input } = rankInputOf(request({ notes: [note('a', 58), note('c', 80, { kind: 'caution', principleId: 'p' })] }));
    expect(rankFixes(input, schools.balanced)[0]).toMatchObject({ principle: 'p', pinned: true });
  });

  it('gives each note’s harm as it was put together, and what was lost without one', () => {
    const { harms, unexplained } = rankInputOf(request({ notes: [note('a', 58)] }));
    expect(harms['a']).toMatchObject({ points: 3, leanDrop: 35 });
    expect(unexplained).toEqual([]);
    expect(rankInputOf(request({ notes: [] })).unexplained).toEqual([{ bout: 0, at: 60, points: 3, finish: false }]);
  });
});

describe('the ladder of any request', () => {
  const notes = fc.array(
    fc.record({
      at: fc.integer({ min: 0, max: 119 }),
      of: fc.constantFrom(null, 'p', 'q', 'r'),
      kind: fc.constantFrom('mistake', 'missed-chance', 'good'),
    }),
    { minLength: 1, maxLength: 12 },
  );
  const ids = fc.subarray(['p', 'q', 'r']);
  const whole = request({ principles: ['p', 'q', 'r'].map((id) => principle(id)) });

  it('holds every candidate once, whatever was pinned, parked and ordered, in every school', () => {
    fc.assert(
      fc.property(
        notes,
        ids,
        ids,
        ids,
        fc.constantFrom(...schoolNames),
        fc.integer({ min: 0, max: 3 }),
        (given, pinned, parked, order, school, cut) => {
          const own = given.map(({ at, of, kind }, i) => note(`n${i}`, at, { principleId: of, kind: kind as 'mistake' }));
          const { input } = rankInputOf({ ...whole, notes: own });
          const ranked = rankFixes(input, schools[school]);
          const ladder = ladderOf(ranked, { order, cut, pinned, parked });
          const all = [...ladder.rungs, ...ladder.parked].map((fix) => fix.principle).sort();
          expect(all).toEqual([...new Set(own.filter(({ kind }) => kind !== 'good').map(candidateOf))].sort());
          expect(ladder.rungs.some((fix) => parked.includes(fix.principle))).toBe(false);
          const firstFree = ladder.rungs.findIndex((fix) => !pinned.includes(fix.principle));
          expect(ladder.rungs.slice(firstFree < 0 ? ladder.rungs.length : firstFree).some((fix) => pinned.includes(fix.principle))).toBe(
            false,
          );
          expect(ladder.cut).toBeLessThanOrEqual(Math.min(cut, ladder.rungs.length));
          for (const fix of ranked) expect(fix.score).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});
