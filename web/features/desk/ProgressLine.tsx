import { deskProgress } from '@lean-mentor/core/desk';
import { ToggleGroup } from 'radix-ui';
import { useControls } from './DeskControls.tsx';
import { useContents, useOnStage, useScene } from './DeskScene.ts';
import { useKeyName } from './keys/keyMap.ts';
import type { LookPhase } from './usePhase.ts';

/** Above the sheet, whatever is in hand: which look it is, how far the work on this bout has come, and the way to the next mark. */
export function ProgressLine() {
  const { phase, setPhase } = useControls('phase');
  const stops = useControls('stops');
  const { footage, table, isWhole, boutAt } = useScene();
  const { document } = useContents();
  const keyName = useKeyName();
  const boutId = useOnStage((state) => boutAt(state.frame)?.id ?? null);
  // Of what will be there: having watched all that is there is not having watched it all.
  const frames = Math.round(table.times.length * (isWhole ? 1 : Math.max(1, (footage.seconds ?? 0) / table.endSeconds)));
  const bout = footage.bouts.find(({ id }) => id === boutId) ?? { fromFrame: 0, toFrame: frames };
  const progress = deskProgress(Object.values(document.looks), Object.values(document.marks), bout);
  const notes = Object.keys(document.notes).length;
  const looks: Record<LookPhase, { words: string; title: string }> = {
    first: { words: 'First look', title: `Watch it through; ${keyName('mark')} drops marks` },
    second: {
      words: 'Second look',
      title: `From mark to mark with ${keyName('previousStop')} and ${keyName('nextStop')}; each becomes a note or is let go`,
    },
  };
  return (
    <div className="flex h-7 shrink-0 items-center gap-2 pr-2 text-tiny">
      <ToggleGroup.Root
        type="single"
        aria-label="Look"
        value={phase}
        onValueChange={(value) => value && setPhase(value as LookPhase)}
        className="flex shrink-0 border border-seam"
      >
        {(['first', 'second'] as const).map((look) => (
          <ToggleGroup.Item
            key={look}
            value={look}
            title={looks[look].title}
            className="h-6 px-1.5 hover:bg-linen data-[state=on]:bg-pine data-[state=on]:text-linen"
          >
            {looks[look].words}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <p data-progress className="min-w-0 truncate">
        {Math.round(progress.firstShare * 100)} % watched · {progress.open} to look at · {progress.settled} settled · {notes}{' '}
        {notes === 1 ? 'note' : 'notes'}
      </p>
      {progress.open > 0 && (
        <button type="button" onClick={() => (setPhase('second'), stops.goToStop(1))} className="linked ml-auto shrink-0">
          Next mark
        </button>
      )}
    </div>
  );
}
