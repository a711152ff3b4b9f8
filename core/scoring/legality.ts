import { cautionClasses, cautionNames, type CautionClass } from '../care/index.ts';
import { broaderOf, techniqueNamed, type Technique } from '../techniques/index.ts';
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

const lastLevel = 5;

/** What of somebody has to be known to say whether a restriction touches them. */
type Bar = { toWhom: string } | { missing: 'the age' | 'the level' } | null;

function barBy(one: Restriction, who: Athletic): Bar {
  const { belowLevel, underAge, ageGroups } = one;
  const years = underAge !== undefined || ageGroups !== undefined;
  if (belowLevel === undefined && !years) return { toWhom: 'to everybody' };
  let missing: Bar = null;
  if (years) {
    const is = byAge(one, who);
    if (is === 'yes')
      return {
        toWhom: underAge !== undefined ? `under ${underAge} years` : `to ${ageGroups!.map((group) => ageGroupWords[group]).join(' and ')}`,
      };
    if (is === 'unknown') missing = { missing: 'the age' };
  }
  if (belowLevel !== undefined && who.level === null) return { missing: 'the level' };
  return belowLevel !== undefined && who.level! < belowLevel
    ? { toWhom: `below the ${levelNames[belowLevel - 1] ?? 'last'} level` }
    : missing;
}

/** What several restrictions together say: the first that bars, else what is missing to tell. */
function barByAll(restrictions: readonly Restriction[], who: Athletic): Bar {
  const bars = restrictions.map((one) => barBy(one, who)).filter((bar) => bar !== null);
  return bars.find((bar) => 'toWhom' in bar) ?? bars[0] ?? null;
}

/** The caution class that a restriction names ("knee and heel"), if it names one. */
const classNamed = (name: string): CautionClass | undefined =>
  cautionClasses.find((one) => [one, cautionNames[one]].includes(name.trim().toLowerCase()));

/** Whether a restriction speaks of a technique: by any of its names, by a broader one, or by its caution class. */
function speaksOf({ technique: named }: Restriction, technique: Technique): boolean {
  const one = techniqueNamed(named);
  return one === null ? classNamed(named) === technique.caution : broaderOf(technique).includes(one);
}

/** The usual rules about a technique, or about the broader one it is a way of, as restrictions. */
const usuallyKept = (technique: Technique): Restriction[] =>
  broaderOf(technique).flatMap(({ name, usual }) => [
    ...(usual?.everybody ? [{ technique: name }] : []),
    ...(usual?.underAge ? [{ technique: name, underAge: usual.underAge }] : []),
    ...(usual?.belowLevel ? [{ technique: name, belowLevel: Math.min(lastLevel, usual.belowLevel) }] : []),
  ]);

const ageText = ({ age, ageGroup }: Athletic): string =>
  age !== null ? ` at ${age} years` : ageGroup ? ` for ${ageGroupWords[ageGroup]}` : '';

/**
 * Whether a technique, by any of its names, is allowed under a sheet for somebody, and the sentence that goes with it (docs/domain.md §3,
 * legality). What the sheet says goes first; where it is silent and the usual rules may keep somebody from it, the answer is unknown, and
 * so it is of a name that neither the table nor the sheet has.
 */
export function legalityOf(sheet: RuleSheet, technique: string, who: Athletic): Legality {
  const found = techniqueNamed(technique);
  const wanted = found?.name.toLowerCase() ?? technique.trim().toLowerCase();
  const name = wanted.charAt(0).toUpperCase() + wanted.slice(1);
  const say = (verdict: Legality['verdict'], words: string): Legality => ({ verdict, words: `${words} ${sheetCaution}` });
  if (found?.attire === 'jacket' && sheet.attire === 'no-jacket')
    return say('forbidden', `${name} needs a jacket, and “${sheet.name}” is without.`);
  const said = sheet.restrictions.filter((one) => (found ? speaksOf(one, found) : one.technique.trim().toLowerCase() === wanted));
  if (!found && said.length === 0) return say('unknown', `“${sheet.name}” says nothing about ${wanted}.`);
  const bar = barByAll(said, who);
  if (bar && 'toWhom' in bar) return say('forbidden', `${name} is forbidden ${bar.toWhom} on “${sheet.name}”.`);
  if (bar) return say('unknown', `Whether ${wanted} is allowed depends on ${bar.missing}, which is not known.`);
  const usual = said.length === 0 && found ? barByAll(usuallyKept(found), who) : null;
  if (usual && 'toWhom' in usual)
    return say('unknown', `“${sheet.name}” says nothing about ${wanted}, which is usually forbidden ${usual.toWhom}.`);
  if (usual)
    return say(
      'unknown',
      `“${sheet.name}” says nothing about ${wanted}; whether it is usual depends on ${usual.missing}, which is not known.`,
    );
  return say('allowed', `${name} is allowed on “${sheet.name}”${ageText(who)}.`);
}
