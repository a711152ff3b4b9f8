import { describe, expect, it } from 'vitest';
import { boutClock } from './boutClock.ts';
import { ruleSheetNames, ruleSheets, type RuleSheetName } from './ruleSheet.ts';
import { scoreBout } from './scoreBout.ts';
import { randomBout } from './testing/randomBout.ts';
import { referenceScore, type ReferenceSheet } from './testing/referenceScorer.ts';

const points = { takedown: 2, sweep: 2, reversal: 0, pass: 3, 'knee-on-belly': 2, mount: 4, 'back-mount': 4, 'back-control': 4 };
const usual: ReferenceSheet = { points, near: 1, pullCosts: 0, counts: 'always', decides: true };
/** The sheets once more, written down apart from the engine's. */
const sheets: Record<RuleSheetName, ReferenceSheet> = {
  'points-jacket': usual,
  'points-no-jacket': usual,
  'late-points-no-jacket': { ...usual, counts: 'late', pullCosts: 1 },
  'finish-only': { ...usual, counts: 'never' },
  'open-mat': { ...usual, counts: 'never', decides: false },
};
const bouts = 10_000;
const firstSeed = 20_261_125;

describe(`the engine and the slow reference, over ${bouts} random bouts from seed ${firstSeed}`, () => {
  it.each(ruleSheetNames)('agree on %s', (name) => {
    let awards = 0;
    for (let seed = firstSeed; seed < firstSeed + bouts; seed++) {
      const bout = randomBout(seed);
      const clock = boutClock(bout);
      const mine = scoreBout(bout, ruleSheets[name]);
      const theirs = referenceScore(bout, sheets[name]);
      const seen = {
        winner: mine.winner,
        decidedBy: mine.decidedBy,
        points: [mine.score.client.points, mine.score.partner.points],
        near: [mine.score.client.near, mine.score.partner.near],
        penalties: [mine.score.client.penalties, mine.score.partner.penalties],
        awards: mine.awards
          .map(
            ({ athlete, action, bankedAt, points: p, near }) => `${athlete} ${action} ${Math.round(clock.at(bankedAt) * 10)} ${p} ${near}`,
          )
          .sort(),
      };
      const wanted = {
        winner: theirs.winner,
        decidedBy: theirs.decidedBy,
        points: [theirs.points['client'], theirs.points['partner']],
        near: [theirs.near['client'], theirs.near['partner']],
        penalties: [theirs.penalties['client'], theirs.penalties['partner']],
        awards: theirs.entries.map(({ athlete, action, tenth, points: p, near }) => `${athlete} ${action} ${tenth} ${p} ${near}`).sort(),
      };
      if (JSON.stringify(seen) !== JSON.stringify(wanted)) expect({ seed, ...seen }).toEqual({ seed, ...wanted });
      awards += seen.awards.length;
    }
    // Where nothing scores, nothing was compared.
    if (ruleSheets[name].pointsCount !== 'never') expect(awards).toBeGreaterThan(bouts);
  });
});
