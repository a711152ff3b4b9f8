import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rankFixes, type RankInput, type RankNote } from './rankFixes.ts';
import { rankParts, schoolNamed, schoolNames, schools } from './schools.ts';

const note = (id: string, principle: string, fields: Partial<RankNote> = {}): RankNote => ({
  id,
  principle,
  kind: 'mistake',
  seen: 'clear',
  ownHarm: 0.1,
  causes: [],
  atSeconds: 10,
  ...fields,
});
/**
 * Worked by hand. Chain: finish (1) ← elbow (likely) ← frame. At 0.6: elbow 0.6, frame 0.1 + 0.36 = 0.46, kick 0.2 (a missed chance,
 * hidden). Weighed: frame 0.46, elbow 0.42, kick 0.08. Minutes: frame 2, the others 5, so k + 0.5 over minutes + 1 is 0.5, 0.25, 0.25.
 */
const input: RankInput = {
  client: { level: 2, asked: ['frame'], gamePlan: ['elbow'] },
  principles: [
    { id: 'frame', level: 1, prerequisites: [] },
    { id: 'elbow', level: 2, prerequisites: ['frame'] },
    { id: 'kick', level: 4, prerequisites: ['elbow'] },
  ],
  notes: [
    note('n1', 'frame'),
    note('n2', 'elbow', { seen: 'likely', ownHarm: 0, causes: ['n1'], atSeconds: 20 }),
    note('n3', 'kick', { kind: 'missed-chance', seen: 'hidden', ownHarm: 0.2, atSeconds: 5 }),
    note('n4', 'praise', { kind: 'good', atSeconds: 1 }),
  ],
  events: [{ id: 'e1', ownHarm: 1, causes: ['n2'], atSeconds: 25 }],
  exposureMinutes: { frame: 2 },
  boutMinutes: 5,
  history: [['elbow'], ['elbow', 'frame']],
};
const scores = (school: (typeof schoolNames)[number], of: RankInput = input) =>
  Object.fromEntries(rankFixes(of, schools[school]).map(({ principle, score }) => [principle, score]));

describe('ranking fixes', () => {
  it('shows every part, worked by hand', () => {
    const [frame, elbow, kick] = rankFixes(input, schools.balanced);
    expect(frame).toMatchObject({ principle: 'frame', parts: { C: 1, F: 1, G: 1, B: 1 }, teachable: 1, pinned: false });
    // Seen in the older of two requests: 0.6 ÷ 1.6.
    expect(frame!.parts.R).toBeCloseTo(0.375, 12);
    expect(elbow!.parts).toMatchObject({ F: 0.5, R: 1, G: 0.5, B: 0.5 });
    expect(elbow!.parts.C).toBeCloseTo(0.42 / 0.46, 12);
    expect(kick).toMatchObject({ teachable: 0.5, parts: { R: 0, G: 0, B: 0 } });
    expect(kick!.cost).toBeCloseTo(0.08, 12);
  });

  it.each([
    ['balanced', 0.35 + 0.2 + 0.2 * 0.375 + 0.15 + 0.1, 0.35 * (0.42 / 0.46) + 0.2 * 0.5 + 0.2 + 0.15 * 0.5 + 0.1 * 0.5],
    // All of the harm goes back: elbow 1 × 0.7, frame 1.1.
    ['deciding-moment', 0.6 + 0.1 + 0.1 * 0.375 + 0.1 + 0.1, 0.6 * (0.7 / 1.1) + 0.1 * 0.5 + 0.1 + 0.1 * 0.5 + 0.1 * 0.5],
    ['habit-breaker', 0.2 + 0.35 + 0.3 * 0.375 + 0.05 + 0.1, 0.2 * (0.42 / 0.46) + 0.35 * 0.5 + 0.3 + 0.05 * 0.5 + 0.1 * 0.5],
    ['groundwork-first', 0.2 + 0.15 + 0.15 * 0.375 + 0.05 + 0.45, 0.2 * (0.42 / 0.46) + 0.15 * 0.5 + 0.15 + 0.05 * 0.5 + 0.45 * 0.5],
    ['build-the-game', 0.2 + 0.1 + 0.1 * 0.375 + 0.5 + 0.1, 0.2 * (0.42 / 0.46) + 0.1 * 0.5 + 0.1 + 0.5 * 0.5 + 0.1 * 0.5],
  ] as const)('in the school %s gives what it gives by hand', (school, frame, elbow) => {
    expect(scores(school)['frame']).toBeCloseTo(frame, 12);
    expect(scores(school)['elbow']).toBeCloseTo(elbow, 12);
  });

  it('counts a missed chance half as much again where the game is built', () => {
    const kick = rankFixes(input, schools['build-the-game']).find(({ principle }) => principle === 'kick')!;
    expect(kick.cost).toBeCloseTo(0.4 * 0.2 * 1.5, 12);
  });

  it('pins what a safety note names, whatever it scores', () => {
    const unsafe = { ...input, notes: [...input.notes, note('n5', 'kick', { kind: 'caution', safety: true, ownHarm: 0 })] };
    expect(rankFixes(unsafe, schools.balanced)[0]).toMatchObject({ principle: 'kick', pinned: true });
  });

  it('keeps the order of equal scores by the earlier first note', () => {
    const equal: RankInput = {
      ...input,
      client: { level: 2, asked: [], gamePlan: [] },
      history: [],
      events: [],
      exposureMinutes: {},
      principles: ['a', 'b'].map((id) => ({ id, level: 1, prerequisites: [] })),
      notes: [note('x', 'a', { atSeconds: 30 }), note('y', 'b', { atSeconds: 20 })],
    };
    expect(rankFixes(equal, schools.balanced).map(({ principle }) => principle)).toEqual(['b', 'a']);
  });

  it('leaves what a safety note names out of what the others are measured against', () => {
    const heavy = note('n5', 'kick', { kind: 'caution', safety: true, ownHarm: 9 });
    const [kick, frame, elbow] = rankFixes({ ...input, notes: [...input.notes, heavy] }, schools.balanced);
    expect(kick).toMatchObject({ principle: 'kick', parts: { C: 0, F: 0 } });
    // As without it: the largest of the others is the measure.
    expect(frame!.parts).toMatchObject({ C: 1, F: 1 });
    expect(elbow!.parts.C).toBeCloseTo(0.42 / 0.46, 12);
  });

  it('has nothing to say where nothing went wrong', () => {
    expect(rankFixes({ ...input, notes: [note('n4', 'praise', { kind: 'good' })], events: [] }, schools.balanced)).toEqual([]);
  });
});

describe('schools', () => {
  it('weigh all parts together to one, and are found as people write them', () => {
    for (const name of schoolNames) expect(rankParts.reduce((sum, part) => sum + schools[name].weights[part], 0)).toBeCloseTo(1, 12);
    expect(['Deciding moment', 'build-the-game', ' Balanced '].map(schoolNamed)).toEqual(['deciding-moment', 'build-the-game', 'balanced']);
    expect(schoolNamed('none')).toBeUndefined();
  });
});

/** Requests of up to six principles and ten notes; a note may be caused by earlier ones. */
const requests: fc.Arbitrary<RankInput> = fc
  .record({
    notes: fc.array(
      fc.record({
        principle: fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'),
        kind: fc.constantFrom('mistake', 'missed-chance', 'good', 'question', 'caution'),
        seen: fc.constantFrom('clear', 'likely', 'hidden'),
        ownHarm: fc.integer({ min: 0, max: 40 }).map((n) => n / 20),
        causes: fc.array(fc.nat(9), { maxLength: 2 }),
        safety: fc.integer({ min: 0, max: 9 }).map((n) => n === 0),
      }),
      { minLength: 1, maxLength: 10 },
    ),
    prerequisites: fc.array(fc.nat(5), { minLength: 6, maxLength: 6 }),
    minutes: fc.array(fc.integer({ min: 0, max: 10 }), { minLength: 6, maxLength: 6 }),
    asked: fc.subarray(['a', 'b', 'c', 'd', 'e', 'f']),
    history: fc.array(fc.subarray(['a', 'b', 'c', 'd', 'e', 'f']), { maxLength: 7 }),
  })
  .map(({ notes, prerequisites, minutes, asked, history }): RankInput => {
    const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
    return {
      client: { level: 2, asked, gamePlan: [] },
      // Only what comes before it in the alphabet, or there would be circles.
      principles: ids.map((id, i) => ({ id, level: 1 + (i % 5), prerequisites: i > 0 ? [ids[prerequisites[i]! % i]!] : [] })),
      notes: notes.map(({ causes, ...one }, i) => ({
        ...one,
        id: `n${i}`,
        atSeconds: i,
        causes: [...new Set(causes.filter((cause) => cause < i))].map((cause) => `n${cause}`),
      })),
      events: [],
      exposureMinutes: Object.fromEntries(ids.map((id, i) => [id, minutes[i]!])),
      boutMinutes: 6,
      history,
    };
  });
const anySchool = fc.constantFrom(...schoolNames.map((name) => schools[name]));

describe('whatever a request holds', () => {
  it('the order in which it is given changes nothing', () => {
    fc.assert(
      fc.property(requests, anySchool, (of, school) => {
        const turned = { ...of, notes: [...of.notes].reverse(), principles: [...of.principles].reverse() };
        const plain = rankFixes(of, school);
        rankFixes(turned, school).forEach((fix, i) => {
          expect(fix.principle).toBe(plain[i]!.principle);
          expect(fix.score).toBeCloseTo(plain[i]!.score, 9);
        });
      }),
    );
  });

  it('a common factor on all harm changes nothing', () => {
    fc.assert(
      fc.property(requests, anySchool, fc.integer({ min: 1, max: 50 }), (of, school, factor) => {
        const scaled = { ...of, notes: of.notes.map((one) => ({ ...one, ownHarm: one.ownHarm * factor })) };
        const plain = new Map(rankFixes(of, school).map((fix) => [fix.principle, fix.score]));
        for (const fix of rankFixes(scaled, school)) expect(fix.score).toBeCloseTo(plain.get(fix.principle)!, 9);
      }),
    );
  });

  it('a note without links never lowers the sums of its own principle', () => {
    fc.assert(
      fc.property(requests, anySchool, fc.constantFrom('a', 'b', 'c'), fc.integer({ min: 0, max: 40 }), (of, school, principle, harm) => {
        const more = { ...of, notes: [...of.notes, note('more', principle, { ownHarm: harm / 20, atSeconds: 99 })] };
        const cost = (input: RankInput): number => rankFixes(input, school).find((fix) => fix.principle === principle)?.cost ?? 0;
        expect(cost(more)).toBeGreaterThanOrEqual(cost(of) - 1e-12);
      }),
    );
  });

  it('what a safety note names stands before all others', () => {
    fc.assert(
      fc.property(requests, anySchool, (of, school) => {
        const pinned = rankFixes(of, school).map((fix) => fix.pinned);
        expect(pinned).toEqual([...pinned].sort((x, y) => Number(y) - Number(x)));
      }),
    );
  });
});
