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

  it('does not change when all harm is scaled, nor with the order of what is given', () => {
    const scaled = {
      ...input,
      notes: input.notes.map((one) => ({ ...one, ownHarm: one.ownHarm * 7 })),
      events: input.events.map((one) => ({ ...one, ownHarm: one.ownHarm * 7 })),
    };
    const turned = { ...input, notes: [...input.notes].reverse(), principles: [...input.principles].reverse() };
    for (const school of schoolNames) {
      const plain = rankFixes(input, schools[school]);
      for (const [i, other] of rankFixes(scaled, schools[school]).entries()) {
        expect(other.principle).toBe(plain[i]!.principle);
        expect(other.score).toBeCloseTo(plain[i]!.score, 9);
      }
      expect(rankFixes(turned, schools[school])).toEqual(plain);
    }
  });

  it('never raises a principle by taking one of its notes away', () => {
    const more = { ...input, notes: [...input.notes, note('n6', 'elbow', { atSeconds: 30, ownHarm: 0.3 })] };
    for (const school of schoolNames) expect(scores(school)['elbow']).toBeLessThanOrEqual(scores(school, more)['elbow']! + 1e-12);
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
