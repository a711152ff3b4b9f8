import { sheetCaution, type AgeGroup, type Restriction, type RuleSheet } from './ruleSheet.ts';

export interface Legality {
  verdict: 'allowed' | 'forbidden' | 'unknown';
  /** The sentence that is shown. */
  words: string;
}

const levelNames = ['first', 'second', 'third', 'fourth', 'fifth'] as const;
export const ageGroupWords: Readonly<Record<AgeGroup, string>> = {
  child: 'children',
  teen: 'teenagers',
  adult: 'adults',
  master: 'masters',
};

/** Techniques that a sheet says something about; of any other it is not known. */
const openTechniques: readonly string[] = [
  'armlock',
  'triangle',
  'rear choke',
  'collar choke',
  'arm triangle',
  'shoulder lock',
  'guillotine',
  'straight ankle lock',
  'takedown',
  'guard pull',
];

/** Everything a legality question may be asked about on a sheet. */
export const knownTechniques = (sheet: RuleSheet): string[] =>
  [...new Set([...openTechniques, ...sheet.restrictions.map(({ technique }) => technique)])].sort();

/** Whether a technique is allowed under a sheet for an age group and level (1 first … 5 last), and the sentence that goes with it. */
export function legalityOf(sheet: RuleSheet, technique: string, who: { ageGroup: AgeGroup | null; level: number | null }): Legality {
  const wanted = technique.trim().toLowerCase();
  const name = wanted.charAt(0).toUpperCase() + wanted.slice(1);
  const say = (verdict: Legality['verdict'], words: string): Legality => ({ verdict, words: `${words} ${sheetCaution}` });
  if (!knownTechniques(sheet).includes(wanted)) return say('unknown', `“${sheet.name}” says nothing about ${wanted}.`);
  let missing: string | null = null;
  for (const { technique: of, belowLevel, ageGroups } of sheet.restrictions as readonly Restriction[]) {
    if (of !== wanted) continue;
    if (belowLevel === undefined && ageGroups === undefined)
      return say('forbidden', `${name} is forbidden to everybody on “${sheet.name}”.`);
    if (ageGroups && who.ageGroup === null) missing = 'the age group';
    else if (ageGroups?.includes(who.ageGroup!))
      return say('forbidden', `${name} is forbidden to ${ageGroupWords[who.ageGroup!]} on “${sheet.name}”.`);
    if (belowLevel !== undefined && who.level === null) missing = 'the level';
    else if (belowLevel !== undefined && who.level! < belowLevel)
      return say('forbidden', `${name} is forbidden below the ${levelNames[belowLevel - 1] ?? 'last'} level on “${sheet.name}”.`);
  }
  if (missing) return say('unknown', `Whether ${wanted} is allowed depends on ${missing}, which is not known.`);
  return say('allowed', `${name} is allowed on “${sheet.name}”${who.ageGroup ? ` for ${ageGroupWords[who.ageGroup]}` : ''}.`);
}
