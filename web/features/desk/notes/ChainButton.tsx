import { chainOf, type Note } from '@lean-mentor/core/desk';
import { frameAtSeconds } from '@lean-mentor/core/footage';
import { Route } from 'lucide-react';
import { useOnStage, useScene } from '../DeskScene.ts';
import { useLinked } from './useLinked.ts';

/** The chain is shown from so long before its first link to so long after this one, in seconds. */
const around = 1;

/** "This began at 1:12": plays the chain, as far as it lies in this film, from its first link to this note, over and over as one clip. */
export function ChainButton({ note }: { note: Note }) {
  const { player, table, footage, secondsAt } = useScene();
  const { things, whenOf } = useLinked();
  const looping = useOnStage((state) => state.loop !== null);
  const chain = chainOf(things, note.id)
    .map((id) => things.get(id)!)
    .filter(({ footageId }) => footageId === footage.id);
  const first = chain.reduce((earliest, one) => (one.atFrame < earliest.atFrame ? one : earliest));
  if (chain.length < 2) return null;
  const play = (): void => {
    if (!player) return;
    if (looping) return player.setLoop(null);
    const fromFrame = frameAtSeconds(table, Math.max(0, secondsAt(first.atFrame) - around));
    const toFrame = Math.min(table.times.length, frameAtSeconds(table, secondsAt(note.toFrame ?? note.fromFrame) + around) + 1);
    player.setLoop({ fromFrame, toFrame });
    player.goTo(fromFrame);
    player.play();
  };
  return (
    <button
      type="button"
      aria-pressed={looping}
      onClick={play}
      className="inline-flex items-center gap-1 rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen aria-pressed:bg-pine aria-pressed:text-linen"
    >
      <Route size={13} aria-hidden />
      {looping ? 'Stop the chain' : `This began at ${whenOf(first)}: play the chain of ${chain.length}`}
    </button>
  );
}
