import type { Mark } from '@lean-mentor/core/desk';
import { Button } from '../../shared/primitives/index.ts';
import type { TrayHand } from './compare/useTray.ts';
import { useOnStage, useScene, useThings } from './DeskScene.ts';
import { useKeyName } from './keys/keyMap.ts';
import { MeasureList } from './measure/MeasureList.tsx';
import { MeasurePanel } from './measure/MeasurePanel.tsx';
import type { MeasureHand } from './measure/useMeasureHand.ts';
import { NoteEditor } from './notes/NoteEditor.tsx';
import type { PhaseHand } from './usePhase.ts';
import type { Stops } from './useStops.ts';
import type { WritingHand } from './useWriting.ts';
import { WorkLeft } from './WorkLeft.tsx';

interface NoteAreaProps {
  panel: 'note' | 'measure' | null;
  writing: WritingHand;
  measuring: MeasureHand;
  phase: PhaseHand;
  stops: Stops;
  tray: TrayHand;
}

/** Under the row: what is in hand (a measurement, a note), or what can be done on this frame and what is left. */
export function NoteArea({ panel, writing, measuring, phase, stops, tray }: NoteAreaProps) {
  const { document } = useThings();
  const marks = Object.values(document.marks);
  const hereId = useOnStage((state) => marks.find((mark) => mark.state === 'open' && mark.atFrame === state.frame)?.id ?? null);
  if (panel === 'measure') return <MeasurePanel measuring={measuring} />;
  if (panel === 'note' && writing.writing)
    return <NoteEditor key={writing.writing.noteId} hand={writing} writing={writing.writing} tray={tray} />;
  return (
    <section aria-label="Note" className="flex min-h-0 grow flex-col overflow-y-auto">
      <MeasureList />
      <OnThisFrame writing={writing} mark={hereId ? document.marks[hereId] : undefined} />
      <WorkLeft phase={phase} stops={stops} />
    </section>
  );
}

function OnThisFrame({ writing, mark }: { writing: WritingHand; mark: Mark | undefined }) {
  const { actions } = useScene();
  const keyName = useKeyName();
  return (
    <div className="flex shrink-0 items-center justify-center gap-3 px-3 py-2.5">
      {mark && <span className="text-reed">A mark stands here.</span>}
      {writing.range && <span className="font-semibold">A range has begun; end it with Shift {keyName('mark')}, or write on it.</span>}
      <Button look={mark || writing.range ? 'pine' : 'plain'} onClick={writing.write}>
        {writing.range ? 'Write on this range' : 'Write on this frame'} <kbd className="time font-normal">{keyName('write')}</kbd>
      </Button>
      {mark ? (
        <Button look="plain" onClick={() => actions.letGoOfMark(mark.id)}>
          Let it go
          <kbd className="time font-normal" aria-hidden>
            Del
          </kbd>
        </Button>
      ) : (
        !writing.range && (
          <span className="text-reed">
            or drop a mark with <kbd className="time">{keyName('mark')}</kbd> and go on watching.
          </span>
        )
      )}
    </div>
  );
}
