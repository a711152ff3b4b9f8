import { drawingTools, strokeColours, type DrawingTool, type StrokeColour } from '@lean-mentor/core/desk';
import { clockText, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import type { Bout } from '@lean-mentor/contract';
import {
  ChevronLeft,
  ChevronRight,
  FastForward,
  History,
  MoveUpRight,
  Pause,
  Play,
  Redo2,
  Spline,
  Trash2,
  Undo2,
  type LucideIcon,
} from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { toast } from 'sonner';
import { speeds, type FramePlayer, type PlayerState } from '../footage/index.ts';
import { IconButton } from '../../shared/primitives/index.ts';
import { KeysHelp } from './KeysHelp.tsx';
import type { DrawingChoice } from './drawingChoice.ts';
import { useDeskState, type DeskActions } from './useDesk.ts';

const toolWords: Record<DrawingTool, { words: string; icon: LucideIcon }> = {
  arrow: { words: 'Arrow', icon: MoveUpRight },
  freehand: { words: 'Freehand', icon: Spline },
};
const colourWords: Record<StrokeColour, { words: string; look: string }> = {
  client: { words: 'Client’s colour', look: 'bg-client' },
  partner: { words: 'Partner’s colour', look: 'bg-partner' },
  chalk: { words: 'Chalk', look: 'bg-linen border border-reed' },
};

interface StageRowProps {
  player: FramePlayer;
  now: PlayerState;
  table: FrameTable;
  bout: Bout | undefined;
  choice: DrawingChoice;
  onChoice: (choice: DrawingChoice) => void;
  actions: DeskActions;
}

/** Under the stage, one narrow row: where we are, how it plays, what it is drawn on with. */
export function StageRow({ player, now, table, bout, choice, onChoice, actions }: StageRowProps) {
  const { done, undone } = useDeskState();
  const seconds = secondsOfFrame(table, now.frame) - secondsOfFrame(table, bout?.fromFrame ?? 0);
  const address = `${clockText(seconds, true)} · f ${now.frame}`;
  const copy = (): void =>
    void navigator.clipboard.writeText(`${address} · ${secondsOfFrame(table, now.frame).toFixed(3)} s`).then(
      () => toast('Copied where you are.'),
      () => toast.error('This browser does not let the page copy.'),
    );
  return (
    <div role="toolbar" aria-label="Stage" className="flex h-11 shrink-0 items-center gap-1 border-b border-seam px-2">
      <IconButton icon={now.playing ? Pause : Play} words={now.playing ? 'Pause (Space)' : 'Play (Space)'} onClick={player.toggle} />
      <IconButton icon={ChevronLeft} words="One frame back (A)" onClick={() => player.step(-1)} />
      <IconButton icon={ChevronRight} words="One frame on (D)" onClick={() => player.step(1)} />
      <IconButton icon={History} words="Run it back 3 s (Q)" onClick={player.runBack} />
      <IconButton icon={FastForward} words="Pass over lulls while playing (N)" onClick={player.toggleLulls} pressed={now.skipsLulls} />
      <button
        type="button"
        title="Copy where you are"
        onClick={copy}
        className="time ml-1 rounded-sm px-2 py-1 whitespace-nowrap hover:bg-linen"
        data-address
      >
        {address}
      </button>
      <ToggleGroup.Root
        type="single"
        value={String(now.speed)}
        onValueChange={(value) => value && player.setSpeed(Number(value))}
        aria-label="Speed"
        className="mx-2 flex border-x border-seam px-1"
      >
        {speeds.map((speed) => (
          <ToggleGroup.Item
            key={speed}
            value={String(speed)}
            className="time h-8 px-1.5 text-reed hover:text-ink data-[state=on]:bg-pine data-[state=on]:text-linen"
          >
            {speed}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <ToggleGroup.Root
        type="single"
        value={choice.tool ?? ''}
        onValueChange={(tool) =>
          onChoice({
            ...choice,
            tool: (tool || null) as DrawingTool | null,
            lastTool: (tool || choice.lastTool) as DrawingTool,
            selectedId: null,
          })
        }
        aria-label="Drawing tool"
        className="flex"
      >
        {drawingTools.map((tool, i) => {
          const { words, icon: Icon } = toolWords[tool];
          return (
            <ToggleGroup.Item
              key={tool}
              value={tool}
              title={`${words} (${i + 1})`}
              aria-label={words}
              className="flex size-8 items-center justify-center rounded-sm hover:bg-linen data-[state=on]:bg-pine data-[state=on]:text-linen"
            >
              <Icon size={17} strokeWidth={1.8} />
            </ToggleGroup.Item>
          );
        })}
      </ToggleGroup.Root>
      <ToggleGroup.Root
        type="single"
        value={choice.colour}
        onValueChange={(colour) => colour && onChoice({ ...choice, colour: colour as StrokeColour })}
        aria-label="Drawing colour"
        className="flex"
      >
        {strokeColours.map((colour) => (
          <ToggleGroup.Item
            key={colour}
            value={colour}
            title={colourWords[colour].words}
            aria-label={colourWords[colour].words}
            className="group flex size-7 items-center justify-center"
          >
            <span
              className={`size-3.5 rounded-full group-data-[state=on]:ring-2 group-data-[state=on]:ring-ink group-data-[state=on]:ring-offset-2 group-data-[state=on]:ring-offset-straw ${colourWords[colour].look}`}
            />
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {choice.selectedId && (
        <IconButton
          icon={Trash2}
          words="Take this drawing away (Delete)"
          onClick={() => choice.selectedId && actions.removeDrawing(choice.selectedId)}
        />
      )}
      <span className="ml-auto flex">
        <IconButton icon={Undo2} words="Take the last edit back (Ctrl Z)" onClick={actions.undo} disabled={done.length === 0} />
        <IconButton icon={Redo2} words="Do it again (Ctrl Y)" onClick={actions.redo} disabled={undone.length === 0} />
        <KeysHelp />
      </span>
    </div>
  );
}
