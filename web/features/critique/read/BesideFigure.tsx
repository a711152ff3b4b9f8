import type { SentBeside, ShownFootage, ShownMoment } from '@lean-mentor/contract';
import { besideWords } from '@lean-mentor/core/critique';
import { comparedSpan } from '@lean-mentor/core/desk';
import { comparisonGrid, type ComparisonGrid } from '@lean-mentor/core/takes';
import { ChevronLeft, ChevronRight, Pause, Play, type LucideIcon } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Button } from '../../../shared/primitives/index.ts';
import { offsetText, useTogether, type Together } from '../../footage/index.ts';
import { ComparedStage } from '../../takes/index.ts';
import { Still } from './Still.tsx';

interface BesideFigureProps {
  moment: ShownMoment;
  footages: readonly ShownFootage[];
  /** Address of its picture: the frames by which all are lined up. */
  still: string;
  /** Whether its reader may see the footages themselves. */
  steps: boolean;
}

const besideEachOther = 'Beside each other';

/** What the coach laid beside a moment: one picture of the frames that belong together; where wanted, all are stepped from there. */
export function BesideFigure({ moment, footages, still, steps }: BesideFigureProps) {
  const { beside, note } = moment;
  const [opened, setOpened] = useState(false);
  if (!beside) return null;
  const of = beside.items.map(({ footageId }) => footages.find(({ id }) => id === footageId));
  if (of.some((footage) => footage?.state === 'removed' || !footage))
    return (
      <p className="border-y border-seam py-3 text-desk text-reed">
        Some of what was laid beside this is not kept any more: who is on it asked for that, or its time here was over.
      </p>
    );
  const { width, height } = of[0]!;
  const grid = comparisonGrid(beside.layout === 'over' ? 1 : beside.items.length, { width, height });
  const size = { width: width * grid.columns, height: height * grid.rows };
  const words = `${besideEachOther}: ${note.what}`;
  const canStep = steps && of.every((footage) => footage!.state === 'ready');
  return (
    <figure data-beside={note.id} aria-label={words} className="break-inside-avoid print:max-w-[80mm]">
      {opened ? (
        <SteppedTogether {...{ beside, grid, size, words }} />
      ) : (
        <Stage size={size}>
          <Still address={still} words={words} />
        </Stage>
      )}
      <figcaption className="flex flex-wrap items-center gap-x-3 gap-y-1 pt-1.5 text-desk text-reed">
        {`This moment ${besideWords(beside)}`}
        {canStep && (
          <Button
            look="plain"
            className="not-printed ml-auto min-h-11"
            aria-pressed={opened}
            aria-label={`${opened ? 'Hold still' : 'Step through together'}: ${words}`}
            onClick={() => setOpened(!opened)}
          >
            {opened ? 'Hold still' : 'Step through together'}
          </Button>
        )}
      </figcaption>
    </figure>
  );
}

function Stage({ size, children }: { size: { width: number; height: number }; children: ReactNode }) {
  return (
    // All of it and what moves it fit on a phone together.
    <div className="relative max-h-[70vh] w-full overflow-hidden bg-stage" style={{ aspectRatio: `${size.width} / ${size.height}` }}>
      {children}
    </div>
  );
}

interface SteppedTogetherProps {
  beside: SentBeside;
  grid: ComparisonGrid;
  size: { width: number; height: number };
  words: string;
}

function SteppedTogether({ beside: { layout, items }, grid, size, words }: SteppedTogetherProps) {
  const together = useTogether(items);
  const [opacity, setOpacity] = useState(0.5);
  const { all, takeTable, offset } = together;
  const span = comparedSpan(all);
  return (
    <div
      onKeyDown={({ key, target }) => {
        if (target instanceof HTMLInputElement) return;
        if (key === 'ArrowLeft') together.step(-1);
        if (key === 'ArrowRight') together.step(1);
      }}
    >
      <Stage size={size}>
        <ComparedStage compare={{ layout, opacity, items, offset }} grid={grid} takeTable={takeTable} />
      </Stage>
      <div role="group" aria-label={words} className="not-printed flex items-center gap-1">
        <StepButtons {...together} />
        <input
          type="range"
          aria-label="How far from the frames that belong together"
          min={span?.from ?? 0}
          max={span?.to ?? 0}
          step="any"
          value={offset}
          onChange={({ target }) => together.goTo(Number(target.value))}
          className="h-11 min-w-0 grow accent-pine"
        />
        <button
          type="button"
          className="time min-h-11 min-w-16 text-right text-desk"
          title="Back to the frames that belong together"
          onClick={() => together.goTo(0)}
        >
          {offsetText(offset)}
        </button>
      </div>
      {layout === 'over' && (
        <label className="not-printed flex min-h-11 items-center gap-3 text-desk">
          How much of the one on top
          <input
            type="range"
            min={0.1}
            max={0.9}
            step={0.05}
            value={opacity}
            onChange={({ target }) => setOpacity(Number(target.value))}
            className="h-11 min-w-0 grow accent-pine"
          />
        </label>
      )}
    </div>
  );
}

function StepButtons({ playing, setPlaying, step }: Together) {
  const buttons: readonly [LucideIcon, string, () => void][] = [
    [ChevronLeft, 'All one frame back', () => step(-1)],
    [playing ? Pause : Play, playing ? 'Stop' : 'Play all at half speed', () => setPlaying(!playing)],
    [ChevronRight, 'All one frame on', () => step(1)],
  ];
  return buttons.map(([Icon, name, press]) => (
    <button key={name} type="button" aria-label={name} title={name} onClick={press} className="flex size-11 items-center justify-center">
      <Icon size={22} aria-hidden />
    </button>
  ));
}
