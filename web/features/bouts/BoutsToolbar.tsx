import { clockText, secondsOfFrame, type FrameTable, type Stretch } from '@lean-mentor/core/footage';
import { ChevronLeft, ChevronRight, FastForward, Pause, Play, Redo2, SkipForward, Undo2 } from 'lucide-react';
import { savingWords } from '../../shared/keeping/index.ts';
import { IconButton } from '../../shared/primitives/index.ts';
import type { useFramePlayer } from '../footage/index.ts';
import type { BoutsControls } from './useBouts.ts';

interface BoutsToolbarProps extends ReturnType<typeof useFramePlayer> {
  table: FrameTable;
  bursts: readonly Stretch[];
  edited: BoutsControls;
}

/** Under the picture: how it plays, and undo of what was done to the bouts. */
export function BoutsToolbar({ player, now, table, bursts, edited }: BoutsToolbarProps) {
  const nextBurst = bursts.find(({ fromFrame }) => fromFrame > now.frame);
  if (!player) return null;
  return (
    <div role="toolbar" aria-label="Playing" className="flex flex-wrap items-center gap-1">
      <IconButton icon={now.playing ? Pause : Play} words={now.playing ? 'Pause' : 'Play'} onClick={player.toggle} />
      <IconButton icon={ChevronLeft} words="One frame back" onClick={() => player.step(-1)} />
      <IconButton icon={ChevronRight} words="One frame on" onClick={() => player.step(1)} />
      <IconButton icon={FastForward} words="Pass over lulls while playing" onClick={player.toggleLulls} pressed={now.skipsLulls} />
      <IconButton
        icon={SkipForward}
        words="To the next burst"
        disabled={!nextBurst}
        onClick={() => nextBurst && player.goTo(nextBurst.fromFrame)}
      />
      <span className="time px-2">
        {clockText(secondsOfFrame(table, now.frame), true)} · f {now.frame}
      </span>
      <span className="ml-auto flex items-center text-small text-reed" aria-live="polite">
        {(edited.canUndo || edited.keeping.saving !== 'saved') && savingWords(edited.keeping)}
        <IconButton icon={Undo2} words="Take the last change back" disabled={!edited.canUndo} onClick={edited.undo} />
        <IconButton icon={Redo2} words="Do it again" disabled={!edited.canRedo} onClick={edited.redo} />
      </span>
    </div>
  );
}
