import type { CautionClass, Load } from '../care/index.ts';
import type { PositionCode } from '../positions/index.ts';

export const techniqueKinds = [
  ...(['guard', 'passing station', 'entanglement', 'pin', 'back', 'grip'] as const),
  ...(['takedown', 'pass', 'sweep', 'back take', 'escape', 'finish'] as const),
] as const;
export type TechniqueKind = (typeof techniqueKinds)[number];
/** Kinds that a stretch is called by; the others are what somebody does. */
export const placeKinds: readonly TechniqueKind[] = ['guard', 'passing station', 'entanglement', 'pin', 'back', 'grip'];

/** Whom the usual rules keep from it: everybody, those below a level (1 first … 5 last), those younger than so many years. */
export interface UsualRule {
  everybody: boolean;
  belowLevel: number | null;
  underAge: number | null;
}

/**
 * An entry of the one table of techniques (docs/domain.md §1, names). What is coded, allowed, advised, counted and searched is called by
 * these names; a stretch, an attempt or a finish keeps the name, and any other name of the entry finds it.
 */
export interface Technique {
  /** Made of the name: lower case, words joined by hyphens. */
  id: string;
  /** The name that is shown: what is done, before what custom calls it. */
  name: string;
  aliases: readonly string[];
  kind: TechniqueKind;
  /** Where it is met, or begins; the likeliest first. */
  parents: readonly PositionCode[];
  attire: 'jacket' | 'either';
  caution: CautionClass;
  /** What it asks of whoever does it, and of the one it is done to. */
  loads: { doer: readonly Load[]; partner: readonly Load[] };
  usual: UsualRule | null;
  /** Id of the broader entry it is a way of: what is said of that one is said of this too. */
  under: string | null;
}
