import { clampFrame, frameAtSeconds, secondsOfFrame } from '@lean-mentor/core/footage';
import { ChevronLeft, ChevronRight, FlipHorizontal2, X } from 'lucide-react';
import { useEffect, useRef, useState, type Ref } from 'react';
import { IconButton } from '../../../shared/primitives/index.ts';
import { openDecoded, useGetFrameTableQuery, useViewing, type DecodedFrames } from '../../footage/index.ts';
import type { TrayItem } from './trayStore.ts';

/** Four of them together stay within the desk's memory. */
const budgetBytes = 60e6;

interface CompareCellProps {
  item: TrayItem;
  /** Seconds from the anchor that all are at. */
  offsetSeconds: number;
  /** Laid over the others: how opaque. Null: beside them. */
  opacity: number | null;
  canvasRef: Ref<HTMLCanvasElement>;
  onChange: (fields: Partial<TrayItem>) => void;
  onDrop: () => void;
}

/** One frame of the comparison, at its anchor and so many seconds on or back. */
export function CompareCell({ item, offsetSeconds, opacity, canvasRef, onChange, onDrop }: CompareCellProps) {
  const { data: table, error } = useGetFrameTableQuery(item.footageId);
  const { addresses } = useViewing(item.footageId);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [frames, setFrames] = useState<DecodedFrames | null>(null);
  const address = addresses?.reviewCopy;
  useEffect(() => {
    if (!table || !address || typeof VideoDecoder === 'undefined') return;
    return openDecoded({ address, table, width: 1280, height: 720, budgetBytes }, setFrames);
  }, [table, address]);

  const frame = table ? frameAtSeconds(table, secondsOfFrame(table, item.anchorFrame) + offsetSeconds + 1e-6) : item.anchorFrame;
  useEffect(() => {
    if (!frames) return;
    let away = false;
    frames.aim(frame, offsetSeconds < 0 ? -1 : 1);
    void frames.whenThere(frame).then(() => {
      const picture = away ? undefined : frames.picture(frame);
      const target = canvas.current;
      if (!picture || !target) return;
      if (target.width !== picture.displayWidth) [target.width, target.height] = [picture.displayWidth, picture.displayHeight];
      target.getContext('2d', { alpha: false })!.drawImage(picture, 0, 0, target.width, target.height);
    });
    return () => {
      away = true;
    };
  }, [frames, frame, offsetSeconds]);

  const over = opacity !== null;
  return (
    <figure className={over ? 'absolute inset-0 flex flex-col' : 'flex min-h-0 min-w-0 flex-col'} style={over ? { opacity } : undefined}>
      <div className="flex min-h-0 grow items-center justify-center bg-stage">
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
