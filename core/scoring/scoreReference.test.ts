import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { writeBoutFile } from '@lean-mentor/contract';
import { beforeAll, describe, expect, it } from 'vitest';
import { athletes } from './athlete.ts';
import type { TimedEvent } from './boutEvent.ts';
import { boutClock } from './boutClock.ts';
import { comingUps, pointsJacket, type RuleSheet } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import { boutOf } from './testing/boutOf.ts';
import { pick, seeded } from './testing/random.ts';
import { randomBout } from './testing/randomBout.ts';
import { referenceScore, type ReferenceSheet } from './testing/referenceScorer.ts';
import { ticksOf } from './testing/referenceTicks.ts';
import type { TimedBout } from './timedBout.ts';

const points = { takedown: 2, sweep: 2, reversal: 0, pass: 3, 'knee-on-belly': 2, mount: 4, 'back-mount': 4, 'back-control': 4 };
const usual: ReferenceSheet = {
  points,
  near: 1,
  pullCosts: 0,
  counts: 'always',
  decides: true,
  holdTenths: 30,
  wayTenths: 100,
  comingUp: { 'fifty-fifty': 'sweep', 'leg-entanglement': 'sweep', 'both-seated': 'near' },
  takedown: [2, 2],
  ladder: [[0, 0], [1, 0], [0, 2], 'loss'],
};
const [sweep, near, nothing] = comingUps;
const shortLadder = [
  { near: 1, points: 0, loss: false },
  { near: 0, points: 3, loss: false },
];
/** Sheets that all score, each written down twice: once as the engine reads it, once apart from it. */
const sheets: Record<string, [engine: RuleSheet, reference: ReferenceSheet]> = {
  'as shipped': [pointsJacket, usual],
  'late, pulling costs': [
    { ...pointsJacket, pointsCount: 'second-half', guardPullCosts: 1, points: { ...points, mount: 2, 'back-mount': 3, 'back-control': 3 } },
    { ...usual, counts: 'late', pullCosts: 1, points: { ...points, mount: 2, 'back-mount': 3, 'back-control': 3 } },
  ],
  'a second’s hold': [
    { ...pointsJacket, holdSeconds: 1 },
    { ...usual, holdTenths: 10 },
  ],
  'five seconds’ hold, short ways': [
    { ...pointsJacket, holdSeconds: 5, originSeconds: 2, fiftyFifty: near, entanglement: nothing, doublePull: sweep },
    {
      ...usual,
      holdTenths: 50,
      wayTenths: 20,
      comingUp: { 'fifty-fifty': 'near', 'leg-entanglement': 'nothing', 'both-seated': 'sweep' },
    },
  ],
  'another ladder of penalties': [
    { ...pointsJacket, penalties: shortLadder },
    {
      ...usual,
      ladder: [
        [1, 0],
        [0, 3],
      ],
    },
  ],
  'a takedown by where it lands, reversals pay': [
    { ...pointsJacket, takedownInto: { guard: 2, past: 4 }, points: { ...points, reversal: 2 } },
    { ...usual, takedown: [2, 4], points: { ...points, reversal: 2 } },
  ],
  'no near points for what was not held, no ways at all': [
    { ...pointsJacket, near: { notHeld: 0, close: 1, turtle: 0 }, originSeconds: 0, doublePull: nothing },
    { ...usual, near: 0, wayTenths: 0, comingUp: { ...usual.comingUp, 'both-seated': 'nothing' } },
  ],
};
/** Where a bout on which the two differ is kept. */
const kept = new URL('../../.tmp/score-reference/', import.meta.url);
const bouts = 10_000;
const firstSeed = 20_261_128;

/** Every other bout starts again after a finish, of which it then has up to four, half of them just where a position ends. */
function boutOfSeed(seed: number): TimedBout {
  const bout = randomBout(seed);
  if (seed % 2 === 0) return bout;
  const random = seeded(seed * 7 + 1);
  const taps = Array.from({ length: Math.floor(random() * 5) }, (): TimedEvent => {
    const at = random() < 0.5 ? pick(random, bout.spans).to : Math.floor(random() * bout.lengthSeconds * 10) / 10;
    return { kind: 'finish', athlete: pick(random, athletes), technique: 'choke', at };
  });
  // Some say themselves when they went on.
  const restarts = taps.flatMap(({ at }): TimedEvent[] => {
    const on = Math.round(at * 10 + Math.floor(random() * 40)) / 10;
    return random() < 0.3 && on < bout.lengthSeconds ? [{ kind: 'restart', at: on, position: 'standing', holder: null }] : [];
  });
  return { ...bout, events: [...bout.events, ...taps, ...restarts], afterFinish: 'restarts' };
}

const all = Array.from({ length: bouts }, (_, i) => boutOfSeed(firstSeed + i));

const tenth = (seconds: number): number => Math.round(seconds * 10);

/** Both answers in one form, all of them: action, athlete, when reached, when given, points, near points, refusals, doubts, end. */
function compared(bout: TimedBout, [engine, reference]: [RuleSheet, ReferenceSheet], walked = ticksOf(bout)) {
  const clock = boutClock(bout);
  const mine = scoreBout(bout, engine);
  const theirs = referenceScore(bout, reference, walked);
  const seen = {
    winner: mine.winner,
    decidedBy: mine.decidedBy,
    endedAt: tenth(mine.endedAt),
    points: [mine.score.client.points, mine.score.partner.points],
    near: [mine.score.client.near, mine.score.partner.near],
    penalties: [mine.score.client.penalties, mine.score.partner.penalties],
    awards: mine.awards
      .map((one) => `${one.athlete} ${one.action} ${tenth(one.at)} ${tenth(clock.at(one.bankedAt))} ${one.points} ${one.near}`)
      .sort(),
    refusals: mine.refusals.map(({ athlete, action, at }) => `${athlete} ${action} ${tenth(at)}`).sort(),
    doubts: mine.doubts.map(({ athlete, at }) => `${athlete} ${tenth(at)}`),
    falls: mine.falls.map(
      ({ athlete, from, at, attackFrom, score: { client, partner } }) =>
        `${athlete} ${tenth(from)} ${tenth(at)} ${attackFrom === null ? '' : tenth(attackFrom)}: ${[client, partner]
          .flatMap((one) => [one.points, one.near, one.penalties])
          .join(' ')}`,
    ),
  };
  const wanted = {
    winner: theirs.winner,
    decidedBy: theirs.decidedBy,
    endedAt: theirs.endedAt,
    points: [theirs.points['client'], theirs.points['partner']],
    near: [theirs.near['client'], theirs.near['partner']],
    penalties: [theirs.penalties['client'], theirs.penalties['partner']],
    awards: theirs.entries.map((one) => `${one.athlete} ${one.action} ${one.at} ${one.tenth} ${one.points} ${one.near}`).sort(),
    refusals: theirs.refused.map(({ athlete, action, at }) => `${athlete} ${action} ${at}`).sort(),
    doubts: theirs.doubts.map(({ athlete, at }) => `${athlete} ${at}`),
    falls: theirs.falls.map(
      ({ athlete, from, at, attackFrom, ...sums }) =>
        `${athlete} ${from} ${at} ${attackFrom ?? ''}: ${['client', 'partner']
          .flatMap((one) => [sums.points[one], sums.near[one], sums.penalties[one]])
          .join(' ')}`,
    ),
  };
  return { seen, wanted, agree: JSON.stringify(seen) === JSON.stringify(wanted) };
}

/** The smallest bout that still fails: spans and events are taken out one by one, for as long as the answers differ. */
function shrunk(bout: TimedBout, sheet: [RuleSheet, ReferenceSheet]): TimedBout {
  let small = bout;
  for (let again = true; again;) {
    again = false;
    const legs = small.spans.map(({ position, holder, from, to }) => [position, holder, tenth(to - from) / 10] as const);
    const fewer = [
      ...small.events.map((_, i) => ({ ...small, events: small.events.filter((__, j) => j !== i) })),
      ...(legs.length > 1
        ? legs.map((_, i) => ({
            ...boutOf(
              legs.filter((__, j) => j !== i).map((leg) => [...leg]),
              small.events,
              small.clockSeconds ?? null,
            ),
            ...(small.afterFinish && { afterFinish: small.afterFinish }),
          }))
        : []),
    ];
    const smaller = fewer.find((one) => one.events.every(({ at }) => at < one.lengthSeconds) && !compared(one, sheet).agree);
    if (smaller) [small, again] = [smaller, true];
  }
  return small;
}

describe(`the engine and the slow reference, over ${bouts} random bouts from seed ${firstSeed}`, () => {
  /** Of each sheet, the first bout on which the two differ, and how much was found. */
  const differ: Record<string, number> = {};
  const found = Object.fromEntries(Object.keys(sheets).map((name) => [name, { awards: 0, doubts: 0, falls: 0 }]));
  // A bout is walked once for all sheets.
  beforeAll(() => {
    for (const [i, bout] of all.entries()) {
      const walked = ticksOf(bout);
      for (const [name, sheet] of Object.entries(sheets)) {
        const { seen, agree } = compared(bout, sheet, walked);
        if (!agree) differ[name] ??= firstSeed + i;
        found[name]!.awards += seen.awards.length;
        found[name]!.doubts += seen.doubts.length;
        found[name]!.falls += seen.falls.length;
      }
    }
  });

  it.each(Object.keys(sheets))('agree on all of an answer: %s', (name) => {
    const [sheet, seed] = [sheets[name]!, differ[name]];
    if (seed !== undefined) {
      const small = shrunk(boutOfSeed(seed), sheet);
      const { seen: got, wanted } = compared(small, sheet);
      // The small bout is kept, for `npm run lean -- score`.
      mkdirSync(kept, { recursive: true });
      const file = fileURLToPath(new URL(`${seed}.bout.json`, kept));
      writeFileSync(file, JSON.stringify(writeBoutFile(small, { ruleSheet: sheet[0] }), null, 1));
      expect({ seed, file, ...got }).toEqual({ seed, file, ...wanted });
    }
    // Where nothing scores, nothing was compared.
    const { awards, doubts, falls } = found[name]!;
    expect(awards).toBeGreaterThan(bouts);
    expect(doubts).toBeGreaterThan(50);
    expect(falls).toBeGreaterThan(bouts / 2);
  });
});
