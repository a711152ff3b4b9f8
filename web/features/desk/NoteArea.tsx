import type { Mark, Note } from '@lean-mentor/core/desk';
import { Button } from '../../shared/primitives/index.ts';
import { NoteEditor } from './NoteEditor.tsx';
import type { Writing } from './writing.ts';
import type { DeskActions } from './useDesk.ts';

interface NoteAreaProps {
  writing: Writing | null;
  note: Note | undefined;
  /** An open mark on the present frame. */
  mark: Mark | undefined;
  actions: DeskActions;
  onWrite: () => void;
  onClose: () => void;
}

/** Under the row: the note in hand, or what can be done on this frame. */
export function NoteArea({ writing, note, mark, actions, onWrite, onClose }: NoteAreaProps) {
  if (writing) return <NoteEditor writing={writing} note={note} actions={actions} onClose={onClose} />;
  return (
    <section aria-label="Note" className="flex grow items-center justify-center gap-3 p-6">
      {mark && <span className="text-reed">A mark stands here.</span>}
      <Button look={mark ? 'pine' : 'plain'} onClick={onWrite}>
        Write on this frame <kbd className="time opacity-70">F</kbd>
      </Button>
      {mark ? (
        <Button look="plain" onClick={() => actions.letGoOfMark(mark.id)}>
          Let it go
        </Button>
      ) : (
        <span className="text-reed">
          or drop a mark with <kbd className="time">E</kbd> and go on watching.
        </span>
      )}
    </section>
  );
}
