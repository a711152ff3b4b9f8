import { asksOfDrill, asksOfPrinciple, clashesOf, sparesAll, type BookDrill, type BookPrinciple } from '../book/index.ts';
import {
  alarmWords,
  cautionNames,
  clashOf,
  loadsOf,
  mergedLoads,
  openAlarms,
  partWords,
  type CautionClass,
  type Limit,
  type Load,
  type Part,
} from '../care/index.ts';
import { isNeutral, legalityOf, positionName, type RuleSheet } from '../scoring/index.ts';
import { techniqueNamed } from '../techniques/index.ts';
import { startWays } from './startWays.ts';
import type { DrillTerms, RoundStart, RoundTerms, WorkTerms } from './terms.ts';

/** For whom work is proposed. */
export interface WorkClient {
  name: string;
  level: number;
  age: number | null;
  /** What hurts for longer and must not bear this or that. */
  limits: readonly Limit[];
  /** Parts at which they told of pain and of which nobody has spoken with them yet. */
  flags: readonly Part[];
  /** What they have to train with, in their words; for drills that need something. */
  equipment: string;
  attire: 'jacket' | 'no-jacket' | null;
}

export interface WorkProposal {
  terms: WorkTerms;
  /** Why it stands where it stands: what it loads that hurts, what is missing. */
  minds: string[];
}

const grown = 18;
/** What needs an experienced, grown partner (docs/domain.md §12). */
const notForMinors: readonly CautionClass[] = ['knee-and-heel', 'neck-and-spine'];

/** Why a minor may not be given this; null where they may, or are none. */
export function barredFor(
  { age, level }: Pick<WorkClient, 'age' | 'level'>,
  { caution, techniques, name }: Pick<WorkTerms, 'caution' | 'techniques' | 'name'>,
  sheet: RuleSheet,
): string | null {
  if (age === null || age >= grown) return null;
  if (notForMinors.includes(caution))
    return `“${name}” carries a caution for ${cautionNames[caution]}, which nobody under ${grown} is given.`;
  const barred = techniques.find((technique) => legalityOf(sheet, technique, { age, level }).verdict !== 'allowed');
  return barred ? `“${name}” uses “${barred}”, which is restricted at this age.` : null;
}

/** What nobody here may judge: a clinician is asked first, whatever the work; null where nothing asks for one. */
export const clinicianFirst = ({ name, limits }: Pick<WorkClient, 'name' | 'limits'>): string | null => {
  const [open] = openAlarms(limits);
  return open ? `${name} says: “${open.words}”. ${alarmWords(open.alarm)}` : null;
};

/** Everything of a client that is to be spared: what their limits are, and where they told of pain. */
const sparedParts = ({ limits, flags }: Pick<WorkClient, 'limits' | 'flags'>): Load[] => [
  ...flags,
  ...limits.filter(({ alarm }) => alarm === null),
];

/** What work asks: what its terms say, and what the techniques do that it uses. */
const askedBy = ({ loads, techniques }: Pick<WorkTerms, 'loads' | 'techniques'>): Load[] => [
  ...loads,
  ...techniques.flatMap((name) => techniqueNamed(name)?.loads.doer ?? []),
];

/** What work loads of a client that hurts, in words. */
export const loadWords = (terms: Pick<WorkTerms, 'loads' | 'techniques'>, client: Pick<WorkClient, 'limits' | 'flags'>): string[] => {
  const clash = clashOf(askedBy(terms), sparedParts(client)).map(partWords);
  return [...new Set(clash)];
};

/** Beginners hold on for shorter: 5 minutes a round, 7 from the third belt on. */
const roundMinutes = (level: number): number => (level >= 3 ? 7 : 5);

function roundFrom(principle: BookPrinciple, start: RoundStart, client: WorkClient): RoundTerms {
  const where = `${positionName(start.position)}${start.clientHolds === null ? '' : start.clientHolds ? ', on top' : ', from below'}`;
  const { name, cue, good, caution, techniques, clipIds } = principle;
  return {
    ...{
      kind: 'round',
      name: `${where}: ${name}`,
      cue,
      how: good,
      caution,
      techniques: [...techniques],
      equipment: '',
      clipIds: [...clipIds],
    },
    loads: mergedLoads([
      ...loadsOf({ position: start.position, holds: start.clientHolds ?? true }, caution),
      ...asksOfPrinciple(principle).doer,
    ]),
    test: {
      ...{ start, ways: startWays(start.position, start.clientHolds), minutes: roundMinutes(client.level), counts: 'chance' },
    },
    ...{ rounds: 2, restSeconds: 120, wanted: { level: 'same', size: 'same' }, swaps: false, advice: cue || good, order: 'one-way' },
    ...{ weeks: 4, timesPerWeek: 2 },
  };
}

/** The same round with less of everything: a lighter partner who moves slowly, half the minutes, one round without advice to chase. */
const sparing = (round: RoundTerms): RoundTerms => ({
  ...round,
  name: `${round.name}, slowly`,
  how: `Your partner moves slowly and gives no weight. ${round.how}`.trim(),
  test: { ...round.test, minutes: Math.max(2, Math.round(round.test.minutes / 2)) },
  wanted: { level: 'same', size: 'smaller' },
});

/** The rounds of the ways of the book that spare what a round loads: done in that way, without what it spares. */
const sparingWays = (round: RoundTerms, principle: BookPrinciple, client: WorkClient): RoundTerms[] => {
  const clashes = clashesOf({ doer: askedBy(round), partner: [] }, { name: client.name, limits: client.limits, partnerLimits: [] });
  return principle.variants
    .filter((variant) => sparesAll(variant, clashes))
    .map((variant) => ({
      ...round,
      name: `${round.name}, sparing`,
      how: `${variant.when ? `If ${variant.when}: ` : ''}${variant.do}. ${round.how}`,
      loads: round.loads.filter(({ part }) => !variant.spares.includes(part)),
    }));
};

const drillTerms = (drill: BookDrill, principle: BookPrinciple): DrillTerms => {
  const { name, how, partner, equipment, minutes, caution } = drill;
  return {
    ...{ kind: 'drill', name, cue: principle.cue, how, partner, minutes, equipment, caution, techniques: [...principle.techniques] },
    ...{ loads: mergedLoads(asksOfDrill(drill).doer), clipIds: [], weeks: 3, timesPerWeek: 3 },
  };
};

/** Things of the equipment that a drill needs and that the client does not name. */
const lacks = (equipment: string, have: string): boolean =>
  equipment.trim() !== '' && !have.toLowerCase().includes(equipment.trim().toLowerCase());

const jacketWords = /\b(collar|sleeve|lapel|jacket|belt)s?\b/i;
/** Whether something cannot be done without a jacket: by the techniques it uses, or by its words. */
const needsJacket = ({ name, how, cue, techniques }: WorkTerms): boolean =>
  techniques.some((one) => techniqueNamed(one)?.attire === 'jacket') || jacketWords.test(`${name} ${how} ${cue}`);

const starts = ({ where }: BookPrinciple): RoundStart[] =>
  where.flatMap(({ position, role }): RoundStart[] => {
    if (isNeutral(position)) return [{ position, clientHolds: null, grips: '' }];
    const holds = role === 'either' ? [true, false] : [role === 'holder'];
    return holds.map((clientHolds) => ({ position, clientHolds, grips: '' }));
  });

const gentle = { alone: 0, helping: 1, resisting: 2 };
const strain = (terms: WorkTerms): number => (terms.kind === 'drill' ? gentle[terms.partner] : 3);

/**
 * Work for a fix, out of the book: a positional round from each place where its principle can fail, and its drills. What loads nothing
 * that hurts comes first; where a round does, its sparing variant stands before it. What a minor may not be given is not among them.
 */
export function proposeWork(principle: BookPrinciple, drills: readonly BookDrill[], client: WorkClient, sheet: RuleSheet): WorkProposal[] {
  const rounds = starts(principle).map((start) => roundFrom(principle, start, client));
  const own = drills.filter(({ id }) => principle.drillIds.includes(id)).map((drill) => drillTerms(drill, principle));
  const hurts = sparedParts(client).length > 0;
  const first = clinicianFirst(client);
  const all: WorkTerms[] = [
    ...rounds.flatMap((round) =>
      loadWords(round, client).length > 0 ? [...sparingWays(round, principle, client), sparing(round), round] : [round],
    ),
    ...own,
  ];
  const proposals = all
    .filter((terms) => barredFor(client, terms, sheet) === null)
    .map((terms): WorkProposal => {
      const loads = loadWords(terms, client);
      return {
        terms,
        minds: [
          ...(first ? [first] : []),
          ...(loads.length > 0 ? [`It loads what hurts: ${loads.join(', ')}.`] : []),
          ...(client.attire === 'no-jacket' && needsJacket(terms) ? ['It speaks of a jacket, and they train without.'] : []),
          ...(lacks(terms.equipment, client.equipment) ? [`It needs: ${terms.equipment}.`] : []),
        ],
      };
    });
  const clashes = ({ terms }: WorkProposal): number => Number(loadWords(terms, client).length > 0);
  return proposals
    .map((proposal, i) => ({ proposal, i }))
    .sort(
      (a, b) => clashes(a.proposal) - clashes(b.proposal) || (hurts ? strain(a.proposal.terms) - strain(b.proposal.terms) : 0) || a.i - b.i,
    )
    .map(({ proposal }) => proposal);
}
