import { getDeskStillPng, type Request } from '@lean-mentor/contract';
import { critiqueCounts, momentsOf, type CritiqueDoc } from '@lean-mentor/core/critique';
import type { DeskDocument } from '@lean-mentor/core/desk';
import { secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import type { Editor } from '@tiptap/react';
import { kindWords, KindGlyph } from '../../../shared/primitives/index.ts';
import { addressOf } from '../../../shared/wire/index.ts';
import { useListClipsQuery } from '../../book/index.ts';
import { BoutClock, useGetFrameTableQuery } from '../../footage/index.ts';
import type { DraftState } from '../api.ts';
import { useEditorScene, type SceneNote } from './editorScene.ts';
import { Phrases } from './Phrases.tsx';
import { SpokenChoices } from './SpokenNode.tsx';
import { SendBox } from './SendBox.tsx';
import type { DraftSaving } from './useDraftSaving.ts';

interface EditorSideProps {
  editor: Editor;
  doc: CritiqueDoc;
  draft: DraftState;
  saving: DraftSaving;
  request: Request;
  document: DeskDocument;
  first: string;
}

/** A clip plays so long around a frame, in seconds. */
const aroundSeconds = 4;

const clipSeconds = (note: SceneNote, table: FrameTable | undefined): number =>
  aroundSeconds + (table && note.toFrame !== null ? secondsOfFrame(table, note.toFrame) - secondsOfFrame(table, note.fromFrame) : 0);

/** Beside the page: what it amounts to, sending it, and everything that can be put into it. */
export function EditorSide({ editor, doc, draft, saving, request, document, first }: EditorSideProps) {
  const { data: table } = useGetFrameTableQuery(request.footages.find(({ state }) => state === 'ready')?.id ?? '', {
    skip: request.footages.every(({ state }) => state !== 'ready'),
  });
  const { data: clips } = useListClipsQuery();
  const scene = useEditorScene();
  const places = new Map(request.footages.map(({ id }, i) => [id, i]));
  // What is of earlier footage comes last.
  const place = ({ footageId }: SceneNote): number => places.get(footageId) ?? places.size;
  const notes = Object.values(scene.notes)
    .filter(({ id }) => document.notes[id]?.visible !== 'coach')
    .sort((a, b) => place(a) - place(b) || a.fromFrame - b.fromFrame);
  const counts = critiqueCounts(
    doc,
    Object.fromEntries(notes.map((note) => [note.id, { seconds: clipSeconds(note, table), good: note.kind === 'good' }])),
  );
  const shown = new Set(momentsOf(doc));
  const insert = (content: object): void => void editor.chain().focus().insertContent(content).run();
  return (
    <aside className="sticky top-4 flex max-h-[calc(100dvh-2rem)] flex-col gap-5 self-start overflow-y-auto pb-4">
      <p className="text-small" aria-label="What it amounts to">
        {counts.minutes === 0
          ? 'Nothing written yet.'
          : `About ${counts.minutes} ${counts.minutes === 1 ? 'minute' : 'minutes'} to read and watch, ${counts.words} words.`}{' '}
        {counts.fixes === 1 ? 'One fix' : `${counts.fixes} fixes`}; {counts.praise} good to {counts.correction}{' '}
        {counts.correction === 1 ? 'correction' : 'corrections'} shown.
      </p>
      <SendBox draft={draft} saving={saving} request={request} fixes={counts.fixes} minutes={counts.minutes} first={first} />
      <section aria-label="Moments">
        <h2 className="mb-1 text-desk">Moments</h2>
        <ul className="flex max-h-72 flex-col overflow-y-auto">
          {notes.map((note) => (
            <li key={note.id}>
              <button
                type="button"
                onClick={() => insert({ type: 'moment', attrs: { noteId: note.id, show: 'clip' } })}
                className="flex w-full items-center gap-2 py-1 text-left text-small hover:bg-linen"
              >
                <img
                  src={addressOf(getDeskStillPng, { requestId: note.requestId, footageId: note.footageId, frame: note.fromFrame })}
                  alt=""
                  loading="lazy"
                  className="aspect-video w-20 shrink-0 bg-stage object-cover"
                />
                <span className="min-w-0">
                  <span className="flex items-center gap-1.5">
                    <KindGlyph kind={note.kind} size={11} /> {kindWords[note.kind]}{' '}
                    {note.filmed ?? (
                      <BoutClock footage={request.footages.find(({ id }) => id === note.footageId)} atFrame={note.fromFrame} />
                    )}
                    {shown.has(note.id) && <span className="text-reed">shown</span>}
                  </span>
                  <span className="line-clamp-1 text-reed">{note.what || 'Nothing written'}</span>
                </span>
              </button>
            </li>
          ))}
          {notes.length === 0 && <li className="text-small text-reed">No note is for {first} to see yet.</li>}
        </ul>
      </section>
      {clips && clips.clips.length > 0 && (
        <section aria-label="Your clips">
          <h2 className="mb-1 text-desk">Your clips</h2>
          <ul className="max-h-40 overflow-y-auto text-small">
            {clips.clips
              .filter(({ state }) => state === 'ready')
              .map(({ id, title }) => (
                <li key={id}>
                  <button type="button" className="linked" onClick={() => insert({ type: 'bookClip', attrs: { clipId: id } })}>
                    {title}
                  </button>
                </li>
              ))}
          </ul>
        </section>
      )}
      <SpokenChoices insert={insert} />
      <Phrases editor={editor} doc={doc} />
    </aside>
  );
}
