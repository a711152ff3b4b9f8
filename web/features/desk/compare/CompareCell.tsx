import { comparedFrame, type Compared } from '@lean-mentor/core/desk';
import { clampFrame } from '@lean-mentor/core/footage';
import { ChevronLeft, ChevronRight, FlipHorizontal2, X } from 'lucide-react';
import type { Ref } from 'react';
import { IconButton } from '../../../shared/primitives/index.ts';
import { ComparedPicture, useGetFrameTableQuery } from '../../footage/index.ts';
import type { TrayItem } from './trayStore.ts';

interface CompareCellProps {
  item: TrayItem;
  /** Seconds from the anchor that all are at. */
  offsetSeconds: number;
  /** Laid over the others: how opaque. Null: beside them. */
  opacity: number | null;
  /** Its frame table has come. */
  takeTable: (footageId: string, table: Compared['table']) => void;
  canvasRef: Ref<HTMLCanvasElement>;
  onChange: (fields: Partial<TrayItem>) => void;
  onDrop: () => void;
}

/** One footage of the comparison, at its anchor frame and so many seconds on or back. */
export function CompareCell({ item, offsetSeconds, opacity, takeTable, canvasRef, onChange, onDrop }: CompareCellProps) {
  const { data: table } = useGetFrameTableQuery(item.footageId);
  const { anchorFrame, fromFrame, toFrame } = item;
  const range = toFrame === null ? null : { fromFrame, toFrame };
  const frame = table ? comparedFrame({ table, anchorFrame, range }, offsetSeconds) : anchorFrame;
  const over = opacity !== null;
  return (
    <figure className={over ? 'absolute inset-0 flex flex-col' : 'flex min-h-0 min-w-0 flex-col'} style={over ? { opacity } : undefined}>
      <div className="relative flex min-h-0 grow items-center justify-center bg-stage">
        <ComparedPicture item={{ ...item, range }} offset={offsetSeconds} takeTable={takeTable} canvasRef={canvasRef} />
      </div>
      {!over && (
        <figcaption className="flex items-center gap-1 text-small">
          <span className="grow truncate">
            {item.words} <span className="time text-reed">f {frame}</span>
          </span>
          <IconButton
            icon={ChevronLeft}
            words="Anchor one frame earlier"
            onClick={() => onChange({ anchorFrame: Math.max(0, item.anchorFrame - 1) })}
          />
          <IconButton
            icon={ChevronRight}
            words="Anchor one frame later"
            onClick={() => onChange({ anchorFrame: table ? clampFrame(table, item.anchorFrame + 1) : item.anchorFrame + 1 })}
          />
          <IconButton
            icon={FlipHorizontal2}
            words="Mirror this one"
            pressed={item.mirrored}
            onClick={() => onChange({ mirrored: !item.mirrored })}
          />
          <IconButton icon={X} words="Take it out of the tray" onClick={onDrop} />
        </figcaption>
      )}
    </figure>
  );
}
