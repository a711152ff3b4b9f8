import { fixProgress, type FixProgress, type FixSeries } from '../followup/index.ts';

/** A block of resets from one start, before a piece of advice or after it. */
export type Block = { when: 'before' | 'after' } & ({ successes: number; chances: number } | { mistakes: number; minutes: number });

/**
 * What the order of blocks says of the difference between them. `one-way`: all before, then all after, so that being tired or warmed up
 * looks like the advice. `balanced`: as early in the middle before as after (A-B-B-A), so that what grows evenly over the day cancels.
 */
export type BlockOrder = 'one-way' | 'balanced' | 'mixed';

export interface WithinDay {
  /** All before held against all after. */
  progress: FixProgress;
  order: BlockOrder;
  /** Where there is too little to tell: how many more resets, or minutes, would show a halving; null where that is not known. */
  moreNeeded: { before: number; after: number } | null;
}

const meanPlace = (blocks: readonly Block[], when: Block['when']): number => {
  const places = blocks.flatMap((block, i) => (block.when === when ? i : []));
  return places.reduce((sum, place) => sum + place, 0) / places.length;
};

function orderOf(blocks: readonly Block[]): BlockOrder {
  if (meanPlace(blocks, 'before') === meanPlace(blocks, 'after')) return 'balanced';
  const lastBefore = blocks.map(({ when }) => when).lastIndexOf('before');
  return blocks.findIndex(({ when }) => when === 'after') > lastBefore ? 'one-way' : 'mixed';
}

const isChances = (block: Block): block is Extract<Block, { chances: number }> => 'chances' in block;

/** All blocks of one side of the advice summed up. */
function pooled(blocks: readonly Block[], when: Block['when']): { good: number; all: number } {
  const own = blocks.filter((block) => block.when === when);
  return {
    good: own.reduce((sum, block) => sum + (isChances(block) ? block.successes : block.mistakes), 0),
    all: own.reduce((sum, block) => sum + (isChances(block) ? block.chances : block.minutes), 0),
  };
}

/**
 * Whether it was better after the advice than before it on one day, by the exact tests of a fix (docs/domain.md §7). Null where a side is
 * missing. Throws a RangeError where chances and minutes are mixed: they are never pooled.
 */
export function withinDay(blocks: readonly Block[]): WithinDay | null {
  const chances = blocks.filter(isChances).length;
  if (chances !== 0 && chances !== blocks.length) throw new RangeError('Chances and minutes are counted apart.');
  const [before, after] = [pooled(blocks, 'before'), pooled(blocks, 'after')];
  if (before.all === 0 || after.all === 0) return null;
  const fix: FixSeries =
    chances > 0
      ? { kind: 'chance', series: [before, after].map(({ good, all }) => ({ successes: good, chances: all })) }
      : { kind: 'rate', series: [before, after].map(({ good, all }) => ({ mistakes: good, exposureMinutes: all })) };
  const progress = fixProgress(fix);
  const needed = progress.neededChances ?? progress.neededMinutes;
  const more = (have: number): number => Math.max(0, Math.ceil(needed! - have));
  return {
    progress,
    order: orderOf(blocks),
    moreNeeded: progress.verdict === 'too-little' && needed !== null ? { before: more(before.all), after: more(after.all) } : null,
  };
}
