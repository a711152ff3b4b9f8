import { useEffect, useRef } from 'react';
import { noteKinds, type Note, type NoteKind } from '@lean-mentor/core/desk';
import { Plus, Trash2, X } from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { KindGlyph, kindWords } from '../../../shared/primitives/index.ts';
import { BookWays, PrincipleCare } from '../../book/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useScene } from '../DeskScene.ts';
import { useSpared } from '../useSpared.ts';
import { newNote, type Writing } from '../writing.ts';
import { ChainPath } from './ChainPath.tsx';
import { ForkFields } from './ForkFields.tsx';
import { GrowingText } from './GrowingText.tsx';
import { InsteadLines } from './InsteadLines.tsx';
import { NoteConflicts } from './NoteConflicts.tsx';
import { NoteFacts } from './NoteFacts.tsx';
import { NoteLinks } from './NoteLinks.tsx';
import { SpokenNote } from './SpokenNote.tsx';
import { Picks } from './Picks.tsx';
import { PrincipleField } from './PrincipleField.tsx';

/** One note, written in one line that grows. A new note is written down with its first word or choice. */
export function NoteEditor({ writing }: { writing: Writing }) {
  const { actions } = useScene();
  const { note, close } = useControls('writing');
  const text = useRef<HTMLTextAreaElement>(null);
  const shown = note ?? newNote(writing);
  const spared = useSpared();
  useEffect(() => {
    if (!writing.focus) return;
    text.current?.focus();
    // Words are added, not put before those that are there.
    text.current?.setSelectionRange(text.current.value.length, text.current.value.length);
  }, [writing.focus]);
  // By what is on the desk now, not by what was drawn last: words and a choice may come at once.
  const change = (fields: Partial<Note>): void => actions.writeNote(newNote(writing), fields);
  const addLine = (): void => change({ instead: [...shown.instead, { when: '', do: '' }] });

  /** While writing, by keyboard alone: Alt and a digit choose the kind, Alt I adds a line, Enter is done. */
  const keys = (event: React.KeyboardEvent): void => {
    const digit = /^Digit([1-5])$/.exec(event.code);
    if (event.altKey && digit) change({ kind: noteKinds[Number(digit[1]) - 1]! });
    else if (event.altKey && event.code === 'KeyI' && shown.instead.length < 8) addLine();
    else if (event.key === 'Enter' && !event.shiftKey && event.target === text.current) {
      text.current?.blur();
      close();
    } else return;
    event.preventDefault();
  };

  return (
    <section aria-label="Note" className="flex min-h-0 grow flex-col gap-1.5 overflow-y-auto px-3 py-1.5 *:shrink-0" onKeyDown={keys}>
      <NoteHead note={note} kind={shown.kind} onKind={(kind) => change({ kind })} />
      {note && <NoteConflicts note={note} />}
      <GrowingText
        ref={text}
        label="What happened"
        value={shown.what}
        onChange={(what) => change({ what })}
        placeholder="What happened"
        most={2000}
        className="text-read"
      />
      <InsteadLines instead={shown.instead} change={(instead) => change({ instead })} />
      <Picks note={shown} change={change} />
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <PrincipleField note={note} ensure={() => change({})} noteId={writing.noteId} />
        <button
          type="button"
          title="Alt I"
          disabled={shown.instead.length >= 8}
          onClick={addLine}
          className="inline-flex h-7 items-center gap-1 px-1 text-small font-semibold text-pine hover:bg-linen disabled:opacity-50"
        >
          <Plus size={14} /> What to do instead
        </button>
        {shown.principleId && shown.instead.length < 8 && (
          <BookWays
            principleId={shown.principleId}
            spared={spared}
            onTake={(way) => change({ instead: [...shown.instead.filter((line) => line.do !== ''), way] })}
          />
        )}
        {note && <SpokenNote note={note} />}
      </div>
      {note && <ForkFields note={note} change={change} />}
      {shown.principleId && <PrincipleCare principleId={shown.principleId} spared={spared} />}
      <div className="flex flex-wrap items-baseline gap-x-4">
        <NoteFacts note={shown} />
        {note && <ChainPath note={note} />}
      </div>
      {note && <NoteLinks note={note} />}
    </section>
  );
}

/** Of which kind a note is, and the ways to take it away and to close it. */
function NoteHead({ note, kind, onKind }: { note: Note | undefined; kind: NoteKind; onKind: (kind: NoteKind) => void }) {
  const { actions } = useScene();
  const { close } = useControls('writing');
  return (
    <div className="flex items-center gap-1">
      <ToggleGroup.Root
        type="single"
        aria-label="Kind"
        value={kind}
        onValueChange={(chosen) => chosen && onKind(chosen as NoteKind)}
        className="flex"
      >
        {noteKinds.map((one, i) => (
          <ToggleGroup.Item
            key={one}
            value={one}
            title={`${kindWords[one]} (Alt ${i + 1})`}
            className="flex h-7 items-center gap-1.5 px-2 text-small text-reed hover:text-ink data-[state=on]:bg-linen data-[state=on]:font-semibold data-[state=on]:text-ink data-[state=on]:shadow-[inset_0_-2px_0_var(--color-pine)]"
          >
            <KindGlyph kind={one} size={12} />
            {kindWords[one]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <span className="ml-auto flex">
        {note && (
          <button
            type="button"
            aria-label="Take this note away"
            title="Take this note away"
            className="flex size-7 items-center justify-center hover:bg-linen"
            onClick={() => (actions.removeNote(note.id), close())}
          >
            <Trash2 size={15} />
          </button>
        )}
        <button
          type="button"
          aria-label="Close the note"
          title="Close (Esc)"
          className="flex size-7 items-center justify-center hover:bg-linen"
          onClick={close}
        >
          <X size={16} />
        </button>
      </span>
    </div>
  );
}
