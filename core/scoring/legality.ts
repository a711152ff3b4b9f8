import { sheetCaution, type AgeGroup, type Restriction, type RuleSheet } from './ruleSheet.ts';

export interface Legality {
  verdict: 'allowed' | 'forbidden' | 'unknown';
  /** The sentence that is shown. */
  words: string;
}

/** Whom a legality question is about: their age in years, or, where only that is known, their group; and their level (1 first … 5 last). */
export interface Athletic {
  age: number | null;
  ageGroup?: AgeGroup | null | undefined;
  level: number | null;
}

const levelNames = ['first', 'second', 'third', 'fourth', 'fifth'] as const;
export const ageGroupWords: Readonly<Record<AgeGroup, string>> = {
  child: 'children',
  teen: 'teenagers',
  adult: 'adults',
  master: 'masters',
};
/** Years of each group, from and up to. */
const yearsOf: Readonly<Record<AgeGroup, readonly [from: number, to: number]>> = {
  child: [0, 12],
  teen: [13, 17],
  adult: [18, 29],
  master: [30, 130],
};

type Touched = 'yes' | 'no' | 'unknown';
/** Whether somebody is among those that a part of a restriction names. */
const touched = (known: boolean, sure: boolean, possible: boolean): Touched =>
  !known ? 'unknown' : sure ? 'yes' : possible ? 'unknown' : 'no';

function byAge({ underAge, ageGroups }: Restriction, { age, ageGroup }: Athletic): Touched {
  const [from, to] = age !== null ? [age, age] : ageGroup ? yearsOf[ageGroup] : [0, Infinity];
  const known = age !== null || Boolean(ageGroup);
  if (underAge !== undefined) return touched(known, to < underAge, from < underAge);
  const within = (ageGroups ?? []).map((group) => yearsOf[group]);
  return touched(
    known,
    within.some(([least, most]) => least <= from && to <= most),
    within.some(([least, most]) => from <= most && least <= to),
  );
}

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

const needsJacket: ReadonlySet<string> = new Set(['collar choke']);

/** Everything a legality question may be asked about on a sheet. */
export const knownTechniques = (sheet: RuleSheet): string[] =>
  [...new Set([...openTechniques, ...sheet.restrictions.map(({ technique }) => technique)])].sort();

/** Whether a technique is allowed under a sheet for somebody, and the sentence that goes with it (docs/domain.md §3, legality). */
export function legalityOf(sheet: RuleSheet, technique: string, who: Athletic): Legality {
  const wanted = technique.trim().toLowerCase();
  const name = wanted.charAt(0).toUpperCase() + wanted.slice(1);
  const say = (verdict: Legality['verdict'], words: string): Legality => ({ verdict, words: `${words} ${sheetCaution}` });
  if (!knownTechniques(sheet).includes(wanted)) return say('unknown', `“${sheet.name}” says nothing about ${wanted}.`);
  if (sheet.attire === 'no-jacket' && needsJacket.has(wanted))
    return say('forbidden', `${name} needs a jacket, and “${sheet.name}” is without.`);
  const forbidden = (toWhom: string): Legality => say('forbidden', `${name} is forbidden ${toWhom} on “${sheet.name}”.`);
  let missing: string | null = null;
  for (const one of sheet.restrictions) {
    if (one.technique !== wanted) continue;
    const { belowLevel, underAge, ageGroups } = one;
    const years = underAge !== undefined || ageGroups !== undefined;
    if (belowLevel === undefined && !years) return forbidden('to everybody');
    if (years) {
      const is = byAge(one, who);
      if (is === 'yes')
        return forbidden(
          underAge !== undefined ? `under ${underAge} years` : `to ${ageGroups!.map((group) => ageGroupWords[group]).join(' and ')}`,
        );
      if (is === 'unknown') missing = 'the age';
    }
    if (belowLevel !== undefined && who.level === null) missing = 'the level';
    else if (belowLevel !== undefined && who.level! < belowLevel)
      return forbidden(`below the ${levelNames[belowLevel - 1] ?? 'last'} level`);
  }
  if (missing) return say('unknown', `Whether ${wanted} is allowed depends on ${missing}, which is not known.`);
  const years = who.age !== null ? ` at ${who.age} years` : who.ageGroup ? ` for ${ageGroupWords[who.ageGroup]}` : '';
  return say('allowed', `${name} is allowed on “${sheet.name}”${years}.`);
}
