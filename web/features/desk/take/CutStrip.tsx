import type { TakeRecording } from '@lean-mentor/contract';
import type { TakeStretch } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { joinedCuts } from '@lean-mentor/core/takes';
import { useState, type PointerEvent } from 'react';
import { Button } from '../../../shared/primitives/index.ts';

interface CutStripProps {
  recording: TakeRecording;
  cuts: readonly TakeStretch[];
  /** Where it plays, in seconds of the recording. */
  at: number;
  onCut: (cut: TakeStretch) => void;
  onBack: (stretch: TakeStretch) => void;
  onGo: (recorded: number) => void;
}

const [width, height] = [1000, 56];
/** A drag shorter than this, in seconds, is a press: it goes there. */
const shortest = 0.15;

/** The whole recording as its loudness: a press goes there, a drag chooses what to cut; what is cut is pale. */
export function CutStrip({ recording, cuts, at, onCut, onBack, onGo }: CutStripProps) {
  const { peaks, seconds } = recording;
  const [drag, setDrag] = useState<TakeStretch | null>(null);
  const [chosen, setChosen] = useState<TakeStretch | null>(null);
  const x = (t: number): number => (t / seconds) * width;
  const timeOf = (event: PointerEvent<SVGSVGElement>): number => {
    const box = event.currentTarget.getBoundingClientRect();
    return Math.min(seconds, Math.max(0, ((event.clientX - box.left) / box.width) * seconds));
  };
  const done = joinedCuts({ cuts: [...cuts], seconds });
  const ordered = drag && { from: Math.min(drag.from, drag.to), to: Math.max(drag.from, drag.to) };
  const shown = ordered ?? chosen;
  return (
    <div className="flex flex-col gap-2">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        preserveAspectRatio="none"
        className="h-14 w-full cursor-crosshair touch-none bg-linen"
        role="img"
        aria-label="The whole recording as its loudness"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setDrag({ from: timeOf(event), to: timeOf(event) });
        }}
        onPointerMove={(event) => drag && setDrag({ ...drag, to: timeOf(event) })}
        onPointerUp={() => {
          if (!ordered) return;
          if (ordered.to - ordered.from < shortest) onGo(ordered.from);
          setChosen(ordered.to - ordered.from < shortest ? null : ordered);
          setDrag(null);
        }}
      >
        {peaks.map((peak, i) => {
          const t = (i / peaks.length) * seconds;
          const cut = done.some(({ from, to }) => t >= from && t < to);
          const tall = Math.max(1.5, peak * (height - 6));
          return (
            <rect
              key={i}
              x={x(t)}
              width={Math.max(0.5, width / peaks.length - 0.4)}
              y={(height - tall) / 2}
              height={tall}
              className={cut ? 'fill-seam' : 'fill-reed'}
            />
          );
        })}
        {shown && <rect x={x(shown.from)} width={x(shown.to - shown.from)} y={0} height={height} className="fill-pine/25" />}
        <line x1={x(at)} x2={x(at)} y1={0} y2={height} className="stroke-ink" strokeWidth={2} vectorEffect="non-scaling-stroke" />
      </svg>
      {chosen && (
        <p className="flex flex-wrap items-center gap-2">
          <span className="time">
            {clockText(chosen.from, true)} – {clockText(chosen.to, true)}
          </span>
          <Button
            onClick={() => {
              onCut(chosen);
              setChosen(null);
            }}
          >
            Cut it out
          </Button>
          <Button
            look="plain"
            onClick={() => {
              onBack(chosen);
              setChosen(null);
            }}
          >
            Put back what is cut in it
          </Button>
          <Button look="quiet" onClick={() => setChosen(null)}>
            Neither
          </Button>
        </p>
      )}
    </div>
  );
}
