import { memo } from 'react';
import { clockText } from '@lean-mentor/core/footage';
import {
  ChevronLeft,
  ChevronRight,
  FastForward,
  History,
  Mic,
  Moon,
  Pause,
  Play,
  Redo2,
  Repeat,
  Rows3,
  Sun,
  Trophy,
  Undo2,
} from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { toast } from 'sonner';
import { IconButton } from '../../shared/primitives/index.ts';
import { speeds } from '../footage/index.ts';
import { TrayButton } from './compare/TrayButton.tsx';
import { useFrame, useOnStage, useScene } from './DeskScene.ts';
import { useControls } from './DeskControls.tsx';
import { DrawingTools } from './drawing/DrawingTools.tsx';
import { useKeyName } from './keys/keyMap.ts';
import { KeysHelp } from './keys/KeysHelp.tsx';
import { MeasureMenu } from './measure/MeasureMenu.tsx';
import { NeighbourFrames } from './NeighbourFrames.tsx';
import { SaveStill } from './SaveStill.tsx';
import { useDarkRoom } from './useDarkRoom.ts';
import { useDeskPart } from './useDesk.ts';
import { useLoop } from './useLoop.ts';
import { useClockAt } from './score/useClockAt.ts';

/**
 * Under the stage: how it plays and what the neighbours are, then what it is drawn on and measured with. `fault`: why frames cannot be
 * decoded here; null where they can.
 */
export const StageRow = memo(function StageRow({ fault }: { fault: string | null }) {
  const keyName = useKeyName();
  const coding = useControls('coding');
  const score = useControls('score');
  const take = useControls('take');
  const { frames } = useScene();
  return (
    <div role="toolbar" aria-label="Stage" className="shrink-0 border-b border-seam">
      <div className="flex h-[50px] items-center gap-0.5 px-1">
        <Playing />
        <div className="mx-auto">
          {frames ? (
            <NeighbourFrames frames={frames} />
          ) : (
            fault && <p className="max-w-80 text-small text-reed">Frames are looked for one by one here, which is slower. {fault}</p>
          )}
        </div>
        <IconButton icon={Rows3} words={`Code the positions (${keyName('positions')})`} onClick={coding.toggle} pressed={coding.on} />
        <IconButton icon={Trophy} words={`Score, stakes and numbers (${keyName('score')})`} onClick={score.toggle} pressed={score.shown} />
        <IconButton icon={Mic} words={`Speak over it (${keyName('take')})`} onClick={take.press} pressed={take.state.phase !== 'away'} />
        <Address />
      </div>
      <div className="flex h-9 items-center gap-0.5 border-t border-seam px-1">
        <Speeds />
        <DrawingTools />
        <MeasureMenu />
        <SaveStill />
        <TrayButton />
        <span className="ml-auto flex">
          <UndoRedo />
          <Room />
          <KeysHelp />
        </span>
      </div>
    </div>
  );
});

function Playing() {
  const { player } = useScene();
  const playing = useOnStage((state) => state.playing);
  const skipsLulls = useOnStage((state) => state.skipsLulls);
  const loop = useLoop();
  const keyName = useKeyName();
  if (!player) return null;
  return (
    <>
      <IconButton icon={playing ? Pause : Play} words={`${playing ? 'Pause' : 'Play'} (${keyName('play')})`} onClick={player.toggle} />
      <IconButton icon={ChevronLeft} words={`One frame back (${keyName('back')})`} onClick={() => player.step(-1)} />
      <IconButton icon={ChevronRight} words={`One frame on (${keyName('on')})`} onClick={() => player.step(1)} />
      <IconButton icon={History} words={`Run it back 3 s (${keyName('runBack')})`} onClick={player.runBack} />
      <IconButton
        icon={Repeat}
        words={`Play this range over and over (Shift ${keyName('runBack')})`}
        onClick={loop.toggle}
        pressed={loop.on}
      />
      <IconButton
        icon={FastForward}
        words={`Pass over lulls while playing (${keyName('lulls')})`}
        onClick={player.toggleLulls}
        pressed={skipsLulls}
      />
    </>
  );
}

function Address() {
  const { secondsAt } = useScene();
  const clockAt = useClockAt();
  const frame = useFrame();
  const address = `${clockText(clockAt(frame), true)} · f ${frame}`;
  const copy = (): void =>
    void navigator.clipboard.writeText(`${address} · ${secondsAt(frame).toFixed(3)} s`).then(
      () => toast('Copied where you are.'),
      () => toast.error('This browser does not let the page copy.'),
    );
  return (
    <button
      type="button"
      title="Copy where you are: bout clock, frame and seconds"
      onClick={copy}
      className="time rounded-sm px-2 py-1 whitespace-nowrap hover:bg-linen"
      data-address
    >
      {address}
    </button>
  );
}

function Speeds() {
  const { player, frames } = useScene();
  const speed = useOnStage((state) => state.speed);
  if (!player) return null;
  return (
    <ToggleGroup.Root
      type="single"
      value={String(speed)}
      onValueChange={(value) => value && player.setSpeed(Number(value))}
      aria-label="Speed"
      className="mr-1 flex border-r border-seam pr-1"
    >
      {speeds
        .filter((rung) => rung > 0 || frames !== null)
        .map((rung) => (
          <ToggleGroup.Item
            key={rung}
            value={String(rung)}
            aria-label={rung < 0 ? `Backwards ${-rung}` : String(rung)}
            className="time h-7 min-w-6 px-0.5 text-[0.7rem] text-reed hover:text-ink data-[state=on]:bg-pine data-[state=on]:text-linen"
          >
            {String(rung).replace('-', '−').replace('0.', '.')}
          </ToggleGroup.Item>
        ))}
    </ToggleGroup.Root>
  );
}

function Room() {
  const { dark, toggle } = useDarkRoom();
  return <IconButton icon={dark ? Sun : Moon} words={dark ? 'For a light room' : 'For a dark room'} onClick={toggle} />;
}

function UndoRedo() {
  const { actions } = useScene();
  const canUndo = useDeskPart(({ done }) => done.length > 0);
  const canRedo = useDeskPart(({ undone }) => undone.length > 0);
  return (
    <>
      <IconButton icon={Undo2} words="Take the last edit back (Ctrl Z)" onClick={actions.undo} disabled={!canUndo} />
      <IconButton icon={Redo2} words="Do it again (Ctrl Y)" onClick={actions.redo} disabled={!canRedo} />
    </>
  );
}
