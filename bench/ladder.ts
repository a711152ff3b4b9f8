import { blankPrinciple, type BookPrinciple } from '@lean-mentor/core/book';
import { limitsOf } from '@lean-mentor/core/care';
import { fixWarnings, ladderOf, rankFixes, rankInputOf, schools, type HarmBout, type RequestNote } from '@lean-mentor/core/fixes';
import { ruleSheets, scoreBout } from '@lean-mentor/core/scoring';
import { boutOf, timed } from './scoring.ts';
import { quantile, type Figure } from './figure.ts';

const sheet = ruleSheets['points-jacket'];
const [noteCount, principleCount, pastRequests] = [300, 65, 6];

const principle = (i: number): BookPrinciple =>
  blankPrinciple({
    id: `p${i}`,
    name: `Principle ${i}`,
    level: 1 + (i % 5),
    where: [{ position: 'half-guard', role: 'other' }],
    prerequisites: i > 3 ? [`p${i - 3}`] : [],
  });

/**
 * The ladder of a request with 300 notes in chains over a coded bout, and six past requests: put together, ranked and warned about anew.
 */
export function benchLadder(): Figure[] {
  const bout = boutOf(3, 200, 600);
  const harm: HarmBout = { timed: bout, score: scoreBout(bout, sheet), worth: sheet.points };
  const notes = Array.from({ length: noteCount }, (_, i): RequestNote => {
    const at = i * 2;
    return {
      id: `n${i}`,
      kind: i % 3 === 0 ? 'missed-chance' : 'mistake',
      athlete: 'client',
      severity: 2,
      what: '',
      seen: 'clear',
      causes: i % 4 === 0 || i === 0 ? [] : [`n${i - 1}`],
      principleId: `p${i % principleCount}`,
      footage: 0,
      bout: 0,
      atSeconds: at,
      endSeconds: at,
      requestSeconds: at,
    };
  });
  const principles = Array.from({ length: principleCount }, (_, i) => principle(i));
  const history = Array.from({ length: pastRequests }, (_, j) => principles.filter((_one, i) => i % (j + 2) === 0).map(({ id }) => id));
  const times = timed(200, () => {
    const client = { level: 3, asked: ['p1'], gamePlan: ['p2'] };
    const { input } = rankInputOf({ client, principles, notes, events: [], bouts: [harm], minutes: 10, history });
    const ladder = ladderOf(rankFixes(input, schools.balanced), { order: ['p9', 'p4'], cut: 3, pinned: ['p7'], parked: [] });
    const fixes = ladder.rungs.slice(0, ladder.cut).map(({ principle: id }) => principles.find((one) => one.id === id)!);
    fixWarnings({
      client: { name: 'C', level: 3, age: 30, limits: limitsOf(['neck'], []), partnerLimits: [] },
      fixes,
      drills: [],
      praise: 1,
      sheet,
      given: {},
      answered: true,
    });
  });
  const [firstMs] = times;
  return [
    {
      figure: 'ladder of 300 notes, p95',
      value: quantile(times, 0.95),
      firstMs: firstMs!,
      unit: 'ms',
      goal: 20,
      notes: noteCount,
      pastRequests,
    },
  ];
}
