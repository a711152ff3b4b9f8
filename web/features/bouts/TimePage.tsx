import type { Bout, Footage } from '@lean-mentor/contract';
import { clockText, type FootageSound, type FrameTable } from '@lean-mentor/core/footage';
import { memo, useMemo, type PointerEvent } from 'react';
import type { MotionRead } from '../footage/index.ts';
import { BoutBlocks } from './BoutBlocks.tsx';
import { columns, spacedPictures, strongestByRow, timeLayout, type TimeLayout } from './timeLayout.ts';

interface TimePageProps {
  footage: Footage;
  table: FrameTable;
  motion: MotionRead | undefined;
  sound: FootageSound | undefined;
  strip: string | undefined;
  atFrame: number;
  bouts: readonly Bout[];
  selectedId: string | null;
  onSelect: (id: string | null) => void;
  onMove: (id: string, fromFrame: number, toFrame: number) => void;
  onGo: (frame: number) => void;
}

/** The footage from top to bottom: clock, small pictures, sound, movement, bells and cuts, and the bouts with edges to drag. */
export function TimePage({ footage, table, motion, sound, strip, atFrame, bouts, selectedId, onSelect, onMove, onGo }: TimePageProps) {
  const layout = useMemo(() => timeLayout(table), [table]);
  const go = (event: PointerEvent<HTMLDivElement>): void => {
    if (event.buttons !== 1) return;
    onGo(layout.frameAtY(event.clientY - event.currentTarget.getBoundingClientRect().top));
  };
  return (
    <section aria-label="The footage from top to bottom">
      <p className="sticky top-0 z-20 flex h-6 bg-straw text-tiny text-reed" aria-hidden>
        {headings.map(([left, words]) => (
          <span key={words} className="absolute" style={{ left }}>
            {words}
          </span>
        ))}
      </p>
      <div className="relative select-none" style={{ height: layout.height }} data-time-page>
        <div
          className="absolute inset-y-0 left-0 cursor-pointer touch-pan-y"
          style={{ width: columns.bouts }}
          onPointerDown={go}
          onPointerMove={go}
        >
          <Ticks layout={layout} />
          {motion && strip && <Strip layout={layout} motion={motion} strip={strip} />}
          {sound && <SoundColumn layout={layout} sound={sound} />}
          {motion && <MotionColumn layout={layout} motion={motion} />}
        </div>
        <BoutBlocks
          layout={layout}
          bouts={bouts}
          frameCount={footage.frameCount ?? table.times.length}
          selectedId={selectedId}
          onSelect={onSelect}
          onMove={onMove}
          onGo={onGo}
        />
        <div className="pointer-events-none absolute inset-x-0 border-t-2 border-ink" style={{ top: layout.yOf(atFrame) }} />
      </div>
    </section>
  );
}

const headings = [
  [columns.sound, 'Sound'],
  [columns.motion - 6, 'Motion'],
  [columns.bouts + 12, 'Bouts'],
] as const;

const Ticks = memo(function Ticks({ layout }: { layout: TimeLayout }) {
  return layout.ticks.map((seconds) => (
    <span
      key={seconds}
      className="time absolute left-0 border-t border-seam pr-1 text-right text-tiny text-reed"
      style={{ top: layout.yOfSeconds(seconds), width: columns.clock }}
    >
      {clockText(seconds)}
    </span>
  ));
});

/** The small pictures that find room, cut out of the strip's one image. */
const Strip = memo(function Strip({ layout, motion, strip }: { layout: TimeLayout; motion: MotionRead; strip: string }) {
  const { columns: across, width, height, frames } = motion.strip;
  const scale = columns.thumbWidth / width;
  const tall = height * scale;
  return spacedPictures(frames, layout.yOf, tall).map(({ index, frame }) => (
    <div
      key={frame}
      className="absolute bg-stage bg-no-repeat"
      style={{
        top: layout.yOf(frame),
        left: columns.thumb,
        width: columns.thumbWidth,
        height: tall,
        backgroundImage: `url("${strip}")`,
        backgroundSize: `${across * columns.thumbWidth}px auto`,
        backgroundPosition: `${-(index % across) * columns.thumbWidth}px ${-Math.floor(index / across) * tall}px`,
      }}
    />
  ));
});

const SoundColumn = memo(function SoundColumn({ layout, sound }: { layout: TimeLayout; sound: FootageSound }) {
  const path = useMemo(() => {
    const rows = strongestByRow(sound.peaks, layout.height, (i) => layout.yOfSeconds(i / sound.rate));
    const middle = columns.soundWidth / 2;
    return Array.from(rows, (peak, y) =>
      peak > 0 ? `M${middle - (peak / 255) * middle} ${y + 0.5}h${(peak / 255) * 2 * middle}` : '',
    ).join('');
  }, [sound, layout]);
  return (
    <svg
      className="absolute top-0"
      style={{ left: columns.sound }}
      width={columns.soundWidth}
      height={layout.height}
      role="img"
      aria-label={sound.peaks.length > 0 ? 'Loudness' : 'No sound'}
    >
      <path d={path} className="stroke-reed" strokeWidth="1" />
    </svg>
  );
});

/** Movement, with lulls left pale, bursts dark, hatched where the action is lost; bells as discs, cuts as lines across. */
const MotionColumn = memo(function MotionColumn({ layout, motion }: { layout: TimeLayout; motion: MotionRead }) {
  const path = useMemo(() => {
    const rows = strongestByRow(motion.level, layout.height, (i) => layout.yOf(i));
    return Array.from(rows, (level, y) => (level > 0 ? `M0 ${y + 0.5}h${level * columns.motionWidth}` : '')).join('');
  }, [motion, layout]);
  const band = ({ fromFrame, toFrame }: { fromFrame: number; toFrame: number }) => ({
    y: layout.yOf(fromFrame),
    height: Math.max(1, layout.yOf(toFrame) - layout.yOf(fromFrame)),
  });
  return (
    <svg
      className="absolute top-0 overflow-visible"
      style={{ left: columns.motion }}
      width={columns.motionWidth}
      height={layout.height}
      role="img"
      aria-label="How much moves"
    >
      {motion.lulls.map((lull) => (
        <rect key={lull.fromFrame} x={0} width={columns.motionWidth} {...band(lull)} className="fill-linen" />
      ))}
      <path d={path} className="stroke-pine" strokeWidth="1" opacity="0.75" />
      {motion.lost.map((lost) => (
        <rect
          key={lost.fromFrame}
          x={0}
          width={columns.motionWidth}
          {...band(lost)}
          className="fill-ink/25 stroke-ink"
          strokeDasharray="3 3"
        >
          <title>The action is out of the picture, at its {lost.edge} edge</title>
        </rect>
      ))}
      {motion.bells.map((seconds) => (
        <circle key={seconds} cx={columns.motionWidth + 5} cy={layout.yOfSeconds(seconds)} r={4} className="fill-brass">
          <title>A bell at {clockText(seconds)}</title>
        </circle>
      ))}
      {motion.cuts.map((frame) => (
        <line
          key={frame}
          x1={-columns.motion + columns.thumb}
          x2={columns.motionWidth + 10}
          y1={layout.yOf(frame)}
          y2={layout.yOf(frame)}
          className="stroke-brick"
          strokeWidth="2"
          strokeDasharray="6 4"
        >
          <title>The recording is cut here</title>
        </line>
      ))}
    </svg>
  );
});
