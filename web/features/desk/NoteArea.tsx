import type { Mark } from '@lean-mentor/core/desk';
import { Button } from '../../shared/primitives/index.ts';
import { useControls } from './DeskControls.tsx';
import { useOnStage, useScene, useContents } from './DeskScene.ts';
import { useKeyName } from './keys/keyMap.ts';
import { MeasureList } from './measure/MeasureList.tsx';
import { MeasurePanel } from './measure/MeasurePanel.tsx';
import { NoteEditor } from './notes/NoteEditor.tsx';
import { WorkLeft } from './WorkLeft.tsx';

/** Under the row: what is in hand (a measurement, a note), or what can be done on this frame and what is left. */
export function NoteArea({ panel }: { panel: 'note' | 'measure' | null }) {
  const { writing } = useControls('writing');
  const { document } = useContents();
  const marks = Object.values(document.marks);
  const hereId = useOnStage((state) => marks.find((mark) => mark.state === 'open' && mark.atFrame === state.frame)?.id ?? null);
  if (panel === 'measure') return <MeasurePanel />;
  if (panel === 'note' && writing) return <NoteEditor key={writing.noteId} writing={writing} />;
  return (
    <section aria-label="Note" className="flex min-h-0 grow flex-col overflow-y-auto">
      <MeasureList />
      <OnThisFrame mark={hereId ? document.marks[hereId] : undefined} />
      <WorkLeft />
    </section>
  );
}

function OnThisFrame({ mark }: { mark: Mark | undefined }) {
  const writing = useControls('writing');
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
