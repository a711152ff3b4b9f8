import { otherAthlete, type Athlete } from './athlete.ts';
import { positionFamily, positionName, type Holder, type PositionCode } from '../positions/index.ts';

/** How the two are called where a person reads it. */
export type Names = Readonly<Record<Athlete, string>>;

export const sideNames: Names = { client: 'Client', partner: 'Partner' };

const possessive = (name: string): string => (/^you$/i.test(name) ? name.replace(/u$/, 'ur') : `${name}’s`);

/**
 * A position and who has it, for a person: a guard is named after who plays it, "Ilse’s closed guard"; of every other one the holder is in
 * control, "Mount, Ilse in control". Who is kept as the holder of a guard, the passer, is never said (docs/domain.md §1, in words).
 */
export function placeWords({ position, holder, name }: { position: PositionCode; holder: Holder; name?: string }, names: Names): string {
  const called = name ?? positionName(position);
  if (holder === null) return capital(called);
  if (positionFamily(position) !== 'guard') return capital(`${called}, ${names[holder]} in control`);
  return capital(`${possessive(names[otherAthlete(holder)])} ${called.charAt(0).toLowerCase()}${called.slice(1)}`);
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
