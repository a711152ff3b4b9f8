import {
  clashSentence,
  drillClashes,
  principleClashes,
  sparesAll,
  sparingFirst,
  type BookDrill,
  type BookPrinciple,
  type Spared,
} from '../book/index.ts';
import { alarmWords, careSentence, cautionNames, openAlarms } from '../care/index.ts';
import { legalityOf, type RuleSheet } from '../scoring/index.ts';
import { fixesForLevel } from './fixesForLevel.ts';

export const warningKinds = ['too-many', 'no-praise', 'hurt', 'sparing', 'clinician', 'age', 'restricted', 'stuck', 'question'] as const;
export type WarningKind = (typeof warningKinds)[number];
/**
 * Kinds that must be answered with a reason before the critique goes out (docs/domain.md §12). What asks for a clinician is not among
 * them: no reason of a coach’s answers it. It is said in the critique instead, and no work is given meanwhile.
 */
export const guardedKinds: readonly WarningKind[] = ['hurt', 'age', 'restricted'];

export interface FixWarning {
  kind: WarningKind;
  /** Null: about the whole of it. */
  principleId: string | null;
  words: string;
  /** Other ways in, where a fix has not moved: from the book. */
  offers: string[];
}

export interface WarnedClient extends Spared {
  level: number;
  age: number | null;
}

export interface WarningInput {
  client: WarnedClient;
  /** In the order they are sent. */
  fixes: readonly BookPrinciple[];
  drills: readonly BookDrill[];
  /** Good moments that the client will see. */
  praise: number;
  /** Under which the client fights or trains. */
  sheet: RuleSheet;
  /** How often each principle was sent as a fix before, and whether it moved. */
  given: Readonly<Record<string, { times: number; better: boolean }>>;
  answered: boolean;
}

/** A fix given this often without a change asks for another way in. */
const stuckAfter = 3;
const grown = 18;
/** What needs an experienced, grown partner. */
const notForMinors: readonly BookPrinciple['caution'][] = ['knee-and-heel', 'neck-and-spine'];

const variantText = ({ when, do: what, stance, spares }: BookPrinciple['variants'][number]): string =>
  `${when ? `If ${when}: ` : ''}${what}${stance === 'other-school' ? ' (another school)' : ''}${spares.length > 0 ? ` (spares: ${spares.join(', ')})` : ''}`;

/** Care for one fix: it is spared by a way of the book’s, or it asks for a reason. */
function hurtWarnings(principle: BookPrinciple, { client, drills }: WarningInput): FixWarning[] {
  const { id, name, variants } = principle;
  const clashes = principleClashes(principle, client).filter(({ limit }) => limit.alarm === null);
  const clashing = drills.filter(
    (drill) => principle.drillIds.includes(drill.id) && drillClashes(drill, client).some(({ limit }) => limit.alarm === null),
  );
  const ofDrills: FixWarning[] =
    clashing.length > 0
      ? [
          {
            kind: 'sparing',
            principleId: id,
            words: `Not for ${client.name} as it stands: the drill ${clashing.map((one) => `“${one.name}”`).join(', ')}.`,
            offers: [],
          },
        ]
      : [];
  if (clashes.length === 0) return ofDrills;
  const sparing = variants.filter((one) => sparesAll(one, clashes));
  const sentence = `“${name}”: ${clashSentence(clashes, client.name)}`;
  const warning: FixWarning =
    sparing.length > 0
      ? { kind: 'sparing', principleId: id, words: `${sentence} The book has a way that spares it.`, offers: sparing.map(variantText) }
      : { kind: 'hurt', principleId: id, words: sentence, offers: [] };
  return [warning, ...ofDrills];
}

function ofPrinciple(principle: BookPrinciple, input: WarningInput): FixWarning[] {
  const { client, sheet, given, drills } = input;
  const { id, name, caution, techniques, variants, drillIds } = principle;
  const warn = (kind: WarningKind, words: string, offers: string[] = []): FixWarning => ({ kind, principleId: id, words, offers });
  const found: FixWarning[] = hurtWarnings(principle, input);
  if (client.age !== null && client.age < grown && notForMinors.includes(caution))
    found.push(
      warn(
        'age',
        `${client.name} is ${client.age}: “${name}” carries a caution for ${cautionNames[caution]}. Guardian, gym and rules first.`,
      ),
    );
  for (const technique of techniques) {
    const { verdict, words } = legalityOf(sheet, technique, { age: client.age, level: client.level });
    const isMinor = client.age !== null && client.age < grown;
    if (verdict === 'forbidden' || (verdict === 'unknown' && isMinor)) found.push(warn('restricted', `“${name}”: ${words}`));
  }
  const before = given[id];
  if (before && before.times >= stuckAfter && !before.better) {
    const drillNames = drills.filter((drill) => drillIds.includes(drill.id)).map((drill) => drill.name);
    const ways = sparingFirst(variants, principleClashes(principle, client)).map(variantText);
    found.push(warn('stuck', `“${name}” was given ${before.times} times and has not moved. Try another way in.`, [...ways, ...drillNames]));
  }
  return found;
}

/** What to mind before a critique goes out, in words. */
export function fixWarnings(input: WarningInput): FixWarning[] {
  const { client, fixes, praise, answered } = input;
  const most = fixesForLevel(client.level);
  const all = (kind: WarningKind, words: string): FixWarning => ({ kind, principleId: null, words, offers: [] });
  return [
    ...(fixes.length > most
      ? [all('too-many', `${fixes.length} fixes; at this level ${most === 1 ? 'one is' : `${most} are`} what a client carries away.`)]
      : []),
    ...(praise === 0 ? [all('no-praise', 'Nothing good is marked. Find one moment worth doing again.')] : []),
    ...openAlarms([...client.limits, ...client.partnerLimits]).map(({ alarm, words }) =>
      all('clinician', `“${words}” ${alarmWords(alarm)} ${careSentence}`),
    ),
    ...(answered ? [] : [all('question', `${client.name}’s question is not answered yet.`)]),
    ...fixes.flatMap((principle) => ofPrinciple(principle, input)),
  ];
}
