import { useEffect, useRef } from 'react';
import { noteKinds, type Note, type NoteKind } from '@lean-mentor/core/desk';
import { Plus, Trash2, X } from 'lucide-react';
import { ToggleGroup } from 'radix-ui';
import { KindGlyph, kindWords } from '../../shared/primitives/index.ts';
import { GrowingText } from './GrowingText.tsx';
import type { Writing } from './writing.ts';
import type { DeskActions } from './useDesk.ts';

const blank = ({ noteId, footageId, atFrame, markId }: Writing): Note => ({
  id: noteId, footageId, fromFrame: atFrame, toFrame: null, kind: 'mistake', athlete: 'client', seen: 'clear', severity: 2, what: '', instead: [], markId,
}); // prettier-ignore

const athletes = [{ value: 'client', words: 'Client' }, { value: 'partner', words: 'Partner' }] as const; // prettier-ignore
const seenWords = [{ value: 'clear', words: 'Seen' }, { value: 'likely', words: 'Likely' }, { value: 'hidden', words: 'Hidden' }] as const; // prettier-ignore
const severities = [{ value: '1', words: 'Light' }, { value: '2', words: 'Matters' }, { value: '3', words: 'Heavy' }] as const; // prettier-ignore

function Pick<V extends string>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: V;
  options: readonly { value: V; words: string }[];
  onPick: (value: V) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(v) => v && onPick(v as V)}
      className="flex border-l border-seam pl-1"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="h-7 px-1.5 text-small text-reed hover:text-ink data-[state=on]:font-semibold data-[state=on]:text-ink data-[state=on]:underline data-[state=on]:decoration-2 data-[state=on]:underline-offset-4"
        >
          {option.words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** One note: its kind, what happened, what to do instead. A new note is written down with its first word or choice. */
export function NoteEditor({
  writing,
  note,
  actions,
  onClose,
}: {
  writing: Writing;
  note: Note | undefined;
  actions: DeskActions;
  onClose: () => void;
}) {
  const text = useRef<HTMLTextAreaElement>(null);
  const shown = note ?? blank(writing);
  useEffect(() => {
    if (writing.focus) text.current?.focus();
  }, [writing.focus]);

  const change = (fields: Partial<Note>): void =>
    note ? actions.changeNote(note.id, fields) : actions.addNote({ ...blank(writing), ...fields });
  const changeInstead = (at: number, fields: Partial<Note['instead'][number]>): void =>
    change({ instead: shown.instead.map((line, i) => (i === at ? { ...line, ...fields } : line)) });

  return (
    <section aria-label="Note" className="flex min-h-0 grow flex-col gap-2 overflow-y-auto px-3 py-2">
      <div className="flex items-center gap-1">
        <ToggleGroup.Root
          type="single"
          aria-label="Kind"
          value={shown.kind}
          onValueChange={(kind) => kind && change({ kind: kind as NoteKind })}
          className="flex"
        >
          {noteKinds.map((kind) => (
            <ToggleGroup.Item
              key={kind}
              value={kind}
              className="flex h-7 items-center gap-1.5 px-2 text-small text-reed hover:text-ink data-[state=on]:bg-linen data-[state=on]:font-semibold data-[state=on]:text-ink data-[state=on]:shadow-[inset_0_-2px_0_var(--color-pine)]"
            >
              <KindGlyph kind={kind} size={12} />
              {kindWords[kind]}
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
              onClick={() => (actions.removeNote(note.id), onClose())}
            >
              <Trash2 size={15} />
            </button>
          )}
          <button
            type="button"
            aria-label="Close the note"
            title="Close (Esc)"
            className="flex size-7 items-center justify-center hover:bg-linen"
            onClick={onClose}
          >
            <X size={16} />
          </button>
        </span>
      </div>
      <GrowingText
        ref={text}
        label="What happened"
        value={shown.what}
        onChange={(what) => change({ what })}
        placeholder="What happened"
        most={2000}
        className="text-read"
      />
      <ol className="flex flex-col gap-1 empty:hidden" aria-label="Instead">
        {shown.instead.map((line, i) => (
          <li key={i} className="grid grid-cols-[1.6rem_2fr_1.6rem_3fr_1.8rem] items-start gap-x-1">
            <span className="pt-1.5 text-right text-small text-reed">if</span>
            <GrowingText
              label={`If, line ${i + 1}`}
              value={line.when}
              onChange={(when) => changeInstead(i, { when })}
              placeholder="this happens"
              most={300}
            />
            <span className="pt-1.5 text-right text-small text-reed">do</span>
            <GrowingText
              label={`Do, line ${i + 1}`}
              value={line.do}
              onChange={(words) => changeInstead(i, { do: words })}
              placeholder="that"
              most={1000}
            />
            <button
              type="button"
              aria-label={`Take line ${i + 1} away`}
              className="flex h-8 items-center justify-center hover:bg-linen"
              onClick={() => change({ instead: shown.instead.filter((_, at) => at !== i) })}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ol>
      <div className="flex items-center gap-3">
        <button
          type="button"
          disabled={shown.instead.length >= 8}
          onClick={() => change({ instead: [...shown.instead, { when: '', do: '' }] })}
          className="inline-flex h-7 items-center gap-1 px-1 text-small font-semibold text-pine hover:bg-linen disabled:opacity-50"
        >
          <Plus size={14} /> What to do instead
        </button>
        <Pick label="Who" value={shown.athlete} options={athletes} onPick={(athlete) => change({ athlete })} />
        <Pick label="How well it was seen" value={shown.seen} options={seenWords} onPick={(seen) => change({ seen })} />
        <Pick
          label="How much it matters"
          value={String(shown.severity) as '1' | '2' | '3'}
          options={severities}
          onPick={(severity) => change({ severity: Number(severity) })}
        />
      </div>
    </section>
  );
}
