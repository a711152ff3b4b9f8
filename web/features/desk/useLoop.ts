import { frameAtSeconds } from '@lean-mentor/core/footage';
import { useOnStage, useScene, type DeskScene } from './DeskScene.ts';

/** Where nothing marks a range, this much before the present frame is played over and over, in seconds. */
const usualSeconds = 3;

/** The range at a frame: of the note or mark there that has one, else the last three seconds. */
function rangeAt({ contents, secondsAt, table }: DeskScene, frame: number): { fromFrame: number; toFrame: number } {
  const { document, notes } = contents();
  const marks = Object.values(document.marks).map((mark) => ({ fromFrame: mark.atFrame, toFrame: mark.toFrame }));
  const range = [...notes, ...marks].find(({ fromFrame, toFrame }) => toFrame !== null && fromFrame <= frame && frame < toFrame);
  if (range) return { fromFrame: range.fromFrame, toFrame: range.toFrame! };
  return { fromFrame: frameAtSeconds(table, Math.max(0, secondsAt(frame) - usualSeconds)), toFrame: frame + 1 };
}

/** Begins to play the range here over and over, or lets it go. */
export function toggleLoop(scene: DeskScene): void {
  const { player } = scene;
  if (!player) return;
  const { loop, frame } = player.snapshot();
  if (loop) return player.setLoop(null);
  const range = rangeAt(scene, frame);
  player.setLoop(range);
  player.goTo(range.fromFrame);
  player.play();
}

export function useLoop(): { on: boolean; toggle: () => void } {
  const scene = useScene();
  const on = useOnStage((state) => state.loop !== null);
  return { on, toggle: () => toggleLoop(scene) };
}
