/** The most fixes one critique can carry, whatever the level. */
export const mostFixes = 3;

/** How many fixes a client of a level carries away (docs/domain.md §6): first level 1, second 2, later 3. The coach decides. */
export function fixesForLevel(level: number): number {
  if (!Number.isInteger(level) || level < 1) throw new RangeError(`A level is a whole number from 1, not ${level}.`);
  return Math.min(level, mostFixes);
}
