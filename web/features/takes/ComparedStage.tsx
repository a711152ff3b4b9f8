import { comparisonCells, type ComparisonGrid, type TakeComparison } from '@lean-mentor/core/takes';
import { ComparedPicture, type Together } from '../footage/index.ts';

const percent = (share: number): string => `${share * 100}%`;

interface ComparedStageProps {
  compare: Omit<TakeComparison, 'rate' | 'span'>;
  grid: ComparisonGrid;
  takeTable?: Together['takeTable'];
}

/** What the coach laid beside or over each other, in place of the picture. */
export function ComparedStage({ compare, grid, takeTable }: ComparedStageProps) {
  const { items, layout, opacity, offset } = compare;
  const cells = comparisonCells(items.length, grid);
  return (
    <div className="absolute inset-0 bg-stage" data-compared={items.length}>
      {items.map((item, i) => {
        const { x, y, width, height } = layout === 'over' ? { x: 0, y: 0, width: 1, height: 1 } : cells[i]!;
        return (
          <div
            key={`${item.footageId} ${i}`}
            className="absolute flex items-center justify-center p-px"
            style={{
              ...{ left: percent(x), top: percent(y), width: percent(width), height: percent(height) },
              opacity: layout === 'over' && i > 0 ? opacity : 1,
            }}
          >
            <ComparedPicture item={item} offset={offset} {...(takeTable && { takeTable })} />
          </div>
        );
      })}
    </div>
  );
}
