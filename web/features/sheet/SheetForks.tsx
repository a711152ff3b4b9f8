import { memo } from 'react';
import { isForkTaken, type Fork } from '@lean-mentor/core/desk';
import { ribbonMiddle, type SheetLayout } from './sheetLayout.ts';
import type { SheetWindow } from './useSheetView.ts';

/** A decision before a note, as it stands on the ribbon. */
export interface SheetFork {
  noteId: string;
  fork: Fork;
}

/** Half of the opening of a fork’s mark, in pixels. */
const reach = 7;

/** Decisions on the ribbon: two arms where one opens, a stem to its last chance, a dot where somebody acted. */
export const SheetForks = memo(function SheetForks({
  layout,
  window,
  forks,
}: {
  layout: SheetLayout;
  window: SheetWindow;
  forks: readonly SheetFork[];
}) {
  return (
    <>
      {forks.map(({ noteId, fork }) => {
        const [opens, last] = [layout.yOf(fork.opensFrame), Math.max(layout.yOf(fork.lastFrame), layout.yOf(fork.opensFrame) + 3)];
        if (last < window.from - reach || opens > window.to + reach) return null;
        const x = ribbonMiddle;
        return (
          <g key={noteId} data-sheet-fork={noteId} className="stroke-ink" fill="none" strokeWidth="1.5">
            <title>{`A decision: open to the last chance${isForkTaken(fork) ? ', taken' : ''}`}</title>
            <path
              d={`M${x - reach} ${opens - reach}L${x} ${opens}L${x + reach} ${opens - reach}M${x} ${opens}L${x} ${last}M${x - 4} ${last}L${x + 4} ${last}`}
            />
            {fork.actedFrame !== null && (
              <circle cx={x} cy={layout.yOf(fork.actedFrame)} r={3} className={isForkTaken(fork) ? 'fill-brass' : 'fill-linen'} />
            )}
          </g>
        );
      })}
    </>
  );
});
