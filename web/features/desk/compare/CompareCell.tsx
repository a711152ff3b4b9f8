import { comparedFrame, type Compared } from '@lean-mentor/core/desk';
import { clampFrame } from '@lean-mentor/core/footage';
import { ChevronLeft, ChevronRight, FlipHorizontal2, X } from 'lucide-react';
import { useEffect, useRef, type Ref } from 'react';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useDecodedPicture, useGetFrameTableQuery } from '../../footage/index.ts';
import type { TrayItem } from './trayStore.ts';

/** Four of them together stay within the desk's memory. */
const budgetBytes = 60e6;

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
  const { data: table, error } = useGetFrameTableQuery(item.footageId);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (table) takeTable(item.footageId, table);
  }, [table, takeTable, item.footageId]);
  const { anchorFrame, fromFrame, toFrame } = item;
  const range = toFrame === null ? null : { fromFrame, toFrame };
  const frame = table ? comparedFrame({ table, anchorFrame, range }, offsetSeconds) : anchorFrame;
  const fault = useDecodedPicture({ footageId: item.footageId, table, frame, backwards: offsetSeconds < 0, budgetBytes, canvas });
  const over = opacity !== null;
  return (
    <figure className={over ? 'absolute inset-0 flex flex-col' : 'flex min-h-0 min-w-0 flex-col'} style={over ? { opacity } : undefined}>
      <div className="relative flex min-h-0 grow items-center justify-center bg-stage">
        {fault && <p className="absolute max-w-80 bg-linen p-2 text-small">Frames cannot be laid beside each other here. {fault}</p>}
        <canvas
          ref={(element) => {
            canvas.current = element;
            if (typeof canvasRef === 'function') canvasRef(element);
          }}
          width={640}
          height={360}
          data-compare-frame={frame}
          className="max-h-full max-w-full object-contain"
          style={{ transform: item.mirrored ? 'scaleX(-1)' : undefined }}
        />
      </div>
      {!over && (
        <figcaption className="flex items-center gap-1 text-small">
          <span className="grow truncate">
            {error ? 'This footage is not there any more.' : item.words} <span className="time text-reed">f {frame}</span>
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
