import { describe, expect, it } from 'vitest';
import { limitsOf } from '../care/index.ts';
import { blankDrill, blankPrinciple, sparedOf, type BookPrinciple } from '../book/index.ts';
import { ruleSheets } from '../scoring/index.ts';
import { exposureMinutes } from './exposure.ts';
import { fixWarnings, guardedKinds, type WarningInput } from './fixWarnings.ts';
import { ladderOf, orderAgreement } from './ladder.ts';
import type { RankedFix } from './rankFixes.ts';
import { guessAsked } from './guessAsked.ts';

const fix = (principle: string, pinned = false): RankedFix => ({
  principle,
  pinned,
  score: 0.5,
  parts: { C: 1, F: 1, R: 0, G: 0, B: 0 },
  teachable: 1,
  cost: 1,
});
const ranked = ['a', 'b', 'c', 'd'].map((id) => fix(id));
const choice = { order: null, cut: 2, pinned: [], parked: [] };
const names = (list: readonly RankedFix[]): string => list.map(({ principle }) => principle).join('');
const principle = (more: Partial<BookPrinciple> = {}): BookPrinciple =>
  blankPrinciple({ id: 'p', name: 'Hide the heel', area: 'legs', cue: 'Heel behind.', ...more });

describe('the ladder', () => {
  it('stands as computed until the coach says otherwise', () => {
    expect(names(ladderOf(ranked, choice).rungs)).toBe('abcd');
    expect(ladderOf(ranked, choice).differs).toBe(false);
  });

  it('takes the coach’s order; what it does not name follows as computed', () => {
    const ladder = ladderOf(ranked, { ...choice, order: ['c', 'gone', 'a'] });
    expect([names(ladder.rungs), ladder.differs]).toEqual(['cabd', true]);
  });

  it('only differs by what is sent', () => {
    expect(ladderOf(ranked, { ...choice, order: ['a', 'b', 'd', 'c'] }).differs).toBe(false);
  });

  it('puts what is pinned first, a safety note above all, and sets aside what is parked', () => {
    const ladder = ladderOf([fix('s', true), ...ranked], { ...choice, pinned: ['d'], parked: ['a'], order: ['b', 'c'] });
    expect([names(ladder.rungs), names(ladder.parked)]).toEqual(['sdbc', 'a']);
  });

  it('cuts no lower than it is long', () => {
    expect([ladderOf(ranked, { ...choice, cut: 9 }).cut, ladderOf([], choice).cut]).toEqual([4, 0]);
  });

  it('says how far a sent order went with the computed one', () => {
    expect(orderAgreement(['a', 'b', 'c'], ['a', 'c'])).toEqual({ first: true, among: 1, of: 2 });
    expect(orderAgreement(['a', 'b'], [])).toEqual({ first: false, among: 0, of: 0 });
  });
});

describe('exposure', () => {
  const time = [
    { position: 'mount', holder: 'client', seconds: 60, share: 0.5 },
    { position: 'mount', holder: 'partner', seconds: 30, share: 0.25 },
    { position: 'standing', holder: null, seconds: 30, share: 0.25 },
  ] as const;

  it.each([
    ['the one in control', [{ position: 'mount', role: 'holder' }], 1],
    ['the one under it', [{ position: 'mount', role: 'other' }], 0.5],
    ['either', [{ position: 'mount', role: 'either' }], 1.5],
    ['a neutral position, whoever is meant', [{ position: 'standing', role: 'holder' }], 0.5],
    ['none of what came up: the whole bout', [{ position: 'truck', role: 'holder' }], 2],
    ['nowhere named: the whole bout', [], 2],
  ] as const)('counts the minutes of %s', (_, where, minutes) => {
    expect(exposureMinutes(principle({ where: [...where] }), [...time], 2)).toBe(minutes);
  });
});

describe('what a question is about', () => {
  const book = [
    principle({ id: 'hand', name: 'Bottom hand stays', cue: 'Hand on the biceps.', where: [{ position: 'knee-shield', role: 'other' }] }),
    principle({ id: 'frame', name: 'Framing early', cue: '' }),
    ...Array.from({ length: 40 }, (_, i) =>
      principle({ id: `p${i}`, name: `Number ${i}`, cue: 'Hips.', where: [{ position: 'half-guard', role: 'other' }] }),
    ),
  ];
  const guess = (question: string) => guessAsked(question, book);

  it('is guessed from the words it shares with a principle, in any form, and says which', () => {
    expect(guess('My knee shield goes and then everything goes.')).toEqual([{ principleId: 'hand', words: ['knee', 'shield'] }]);
    expect(guess('My arms are long and my frames still fold.')).toEqual([{ principleId: 'frame', words: ['frames'] }]);
  });

  it('is, of a guard of their own, what is for who plays it', () => {
    const passing = principle({ id: 'pass', name: 'Fold the knee shield', cue: '', where: [{ position: 'knee-shield', role: 'holder' }] });
    expect(guessAsked('My knee shield goes.', [...book, passing]).map(({ principleId }) => principleId)).toEqual(['hand']);
    expect(guessAsked('How do I pass a knee shield?', [...book, passing])[0]!.principleId).toBe('pass');
  });

  it('is nothing where all that is shared is common in the book', () => {
    expect(guess('Was leaving mount worth it?')).toEqual([]);
    expect(guess('What about my half guard?')).toEqual([]);
  });
});

describe('warnings', () => {
  const input = (more: Partial<WarningInput> = {}): WarningInput => ({
    client: { name: 'Teo', level: 2, age: 30, limits: [], partnerLimits: [] },
    fixes: [principle()],
    drills: [],
    praise: 1,
    sheet: ruleSheets['points-jacket'],
    given: {},
    answered: true,
    ...more,
  });
  const kinds = (more: Partial<WarningInput>): string[] => fixWarnings(input(more)).map(({ kind }) => kind);

  it('are none where nothing is amiss', () => expect(fixWarnings(input())).toEqual([]));

  it('say when there are more fixes than the level carries, nothing good, or no answer', () => {
    const three = ['a', 'b', 'c'].map((id) => principle({ id }));
    expect(kinds({ fixes: three, praise: 0, answered: false })).toEqual(['too-many', 'no-praise', 'question']);
    expect(fixWarnings(input({ fixes: three }))[0]!.words).toBe('3 fixes; at this level 2 are what a client carries away.');
  });

  it('say when a fix meets an injury, an age or a restricted technique', () => {
    const heel = [principle({ caution: 'knee-and-heel', techniques: ['twisting leg lock'] })];
    const limits = (words: string) => ({ limits: limitsOf([words], []), partnerLimits: [] });
    const client = { name: 'Teo', level: 5, age: 15, ...limits('Left knee') };
    expect(kinds({ fixes: heel, client })).toEqual(['hurt', 'age', 'restricted']);
    expect(kinds({ fixes: heel, client: { ...client, age: 30, ...limits('tired') } })).toEqual(['restricted']);
    expect(fixWarnings(input({ fixes: heel, client }))[0]!.words).toBe(
      '“Hide the heel”: it asks something of left knee, and Teo says: “Left knee”.',
    );
  });

  it('say what a drill, a technique or a way of a “general” principle asks, and whose body it is', () => {
    const across = blankDrill({
      id: 'd',
      name: 'Drive across',
      loads: { doer: [{ part: 'knee', side: null, burdens: ['pressed'] }], partner: [] },
    });
    const plain = principle({ name: 'Low wall', caution: 'general', techniques: [], drillIds: ['d'] });
    const spared = (hurts: string[], request?: { hurtsToday: string; partnerHurts: string }) => ({
      ...{ level: 5, age: 30 },
      ...sparedOf({ name: 'Ilse', hurts, limits: [] }, request && { ...request, limits: { own: [], partner: [] } }),
    });
    const warned = (client: WarningInput['client'], fixes = [plain]) => fixWarnings(input({ fixes, drills: [across], client }));
    // A repaired knee, and a drill that drives a knee across it, of the class that was no warning before.
    expect(warned(spared(['Left knee repaired']))).toMatchObject([
      { kind: 'sparing', words: 'Not for Ilse as it stands: the drill “Drive across”.' },
    ]);
    expect(warned(spared(['Left hip replaced']))).toEqual([]);
    const choke = principle({ name: 'Arm in', caution: 'general', techniques: ['kimura'] });
    expect(warned(spared([], { hurtsToday: '', partnerHurts: 'Right shoulder just out of the sling' }), [choke])[0]).toMatchObject({
      kind: 'hurt',
      words: '“Arm in”: it asks something of right shoulder, and the partner says: “Right shoulder just out of the sling”.',
    });
    expect(warned(spared([], { hurtsToday: 'wrist sprained', partnerHurts: '' }), [choke])[0]).toMatchObject({ kind: 'hurt' });
    const both = { ...choke, variants: [{ when: '', do: 'underhook instead', stance: 'taught' as const, spares: ['hand' as const] }] };
    expect(warned(spared([], { hurtsToday: 'wrist sprained', partnerHurts: '' }), [both])[0]).toMatchObject({
      kind: 'sparing',
      offers: ['underhook instead (spares: hand)'],
    });
  });

  it('ask for a clinician first, and take no reason for it', () => {
    const client = { level: 5, age: 30, ...sparedOf({ name: 'Odalys', hurts: ['Pregnant, week nine'], limits: [] }) };
    const [warning] = fixWarnings(input({ client }));
    expect(warning).toMatchObject({
      kind: 'clinician',
      principleId: null,
      words: expect.stringContaining('ask a clinician before the mat'),
    });
    expect(guardedKinds).not.toContain('clinician');
  });

  it('offer another way in where a fix was given three times without change', () => {
    const stuck = principle({ variants: [{ when: 'he stands', do: 'hook', stance: 'other-school', spares: [] }], drillIds: ['d'] });
    const drills = [blankDrill({ id: 'd', name: 'Shrimp', partner: 'alone', minutes: 3 })];
    const [warning] = fixWarnings(input({ fixes: [stuck], drills, given: { p: { times: 3, better: false } } }));
    expect(warning).toMatchObject({ kind: 'stuck', offers: ['If he stands: hook (another school)', 'Shrimp'] });
    expect(kinds({ fixes: [stuck], given: { p: { times: 3, better: true } } })).toEqual([]);
    expect(kinds({ fixes: [stuck], given: { p: { times: 2, better: false } } })).toEqual([]);
  });
});
