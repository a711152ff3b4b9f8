import { useEffect, useRef, useState } from 'react';
import type * as contract from '@lean-mentor/contract';
import type { Footage, ResponseOf } from '@lean-mentor/contract';
import type { Note } from '@lean-mentor/core/desk';
import { mostFixes } from '@lean-mentor/core/fixes';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { Button, Empty, FacePlate, FaultNote, Field, inputClass, kindWords, KindGlyph } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { BoutClock } from '../footage/index.ts';
import { useSaveCritiqueDraftMutation, useSendCritiqueMutation } from './api.ts';

interface WrapUpProps {
  subject: ResponseOf<typeof contract.openDesk>;
  draft: ResponseOf<typeof contract.getCritiqueDraft>;
}

/** Changes rest this long, in ms, before the draft is saved. */
const restMs = 400;
const count = ['no note', 'one note', 'two notes', 'three notes'];

/** Choose up to three notes, in order, write the opening line, send. Saved as it happens. */
export function WrapUp({ subject: { request, client, document }, draft }: WrapUpProps) {
  const [opening, setOpening] = useState(draft.opening);
  const [chosen, setChosen] = useState(() => draft.noteIds.filter((id) => document.notes[id]?.visible === 'client'));
  const [save, saving] = useSaveCritiqueDraftMutation();
  const [send, sending] = useSendCritiqueMutation();
  const navigate = useNavigate();
  const first = client.name.split(' ')[0];
  const footageOf = (note: Note): Footage | undefined => request.footages.find(({ id }) => id === note.footageId);
  const places = new Map(request.footages.map(({ id }, i) => [id, i]));

  const untouched = useRef(true);
  useEffect(() => {
    if (untouched.current) {
      untouched.current = false;
      return;
    }
    const timer = setTimeout(() => void save({ requestId: request.id, opening, noteIds: chosen }), restMs);
    return () => clearTimeout(timer);
  }, [opening, chosen, request.id, save]);

  const move = (id: string, by: 1 | -1): void =>
    setChosen((ids) => {
      const from = ids.indexOf(id);
      const rest = ids.filter((other) => other !== id);
      rest.splice(Math.min(rest.length, Math.max(0, from + by)), 0, id);
      return rest;
    });
  const sendNow = async (): Promise<void> => {
    const answer = await send({ requestId: request.id, opening, noteIds: chosen });
    if (!answer.data) return;
    toast(`Sent to ${first}.`);
    await navigate(`/critiques/${answer.data.id}`);
  };
  // What is for the coach's eyes only is never sent.
  const sendable = Object.values(document.notes).filter((note) => note.visible === 'client');
  const notes = sendable.sort((a, b) => (places.get(a.footageId) ?? 0) - (places.get(b.footageId) ?? 0) || a.fromFrame - b.fromFrame);
  const missing = chosen.length === 0 ? 'Keep at least one note as a fix.' : opening.trim() === '' ? 'Write an opening line.' : null;
  const others = notes.filter((note) => !chosen.includes(note.id));

  return (
    <>
      <header className="mb-8 flex items-center gap-4">
        <FacePlate name={client.name} level={client.level} />
        <div className="min-w-0 grow">
          <h1 className="text-title">What goes to {client.name}</h1>
          <p className="truncate text-reed">“{request.question}”</p>
        </div>
        {client.hurts.length > 0 && <p className="border-l-4 border-brick pl-2">Mind: {client.hurts.join(', ')}</p>}
        <Link to={`/requests/${request.id}/desk`} className="linked">
          Back to the desk
        </Link>
      </header>
      <div className="grid grid-cols-[1fr_400px] gap-14">
        <section aria-label="Notes">
          <h2 className="text-read">Fixes, in the order they are read</h2>
          <p className="mb-2 text-reed">
            At this level {count[draft.suggestedFixes]} {draft.suggestedFixes === 1 ? 'is' : 'are'} what a client carries away;{' '}
            {count[mostFixes]} are the most.
          </p>
          <ol aria-label="Chosen">
            {chosen.map((id, i) => (
              <NoteLine key={id} note={document.notes[id]!} footage={footageOf(document.notes[id]!)} place={i + 1}>
                <span className="flex">
                  <button
                    aria-label="Earlier"
                    disabled={i === 0}
                    onClick={() => move(id, -1)}
                    className="flex size-8 items-center justify-center hover:bg-linen disabled:opacity-30"
                  >
                    <ArrowUp size={16} />
                  </button>
                  <button
                    aria-label="Later"
                    disabled={i === chosen.length - 1}
                    onClick={() => move(id, 1)}
                    className="flex size-8 items-center justify-center hover:bg-linen disabled:opacity-30"
                  >
                    <ArrowDown size={16} />
                  </button>
                </span>
                <Button look="quiet" onClick={() => setChosen(chosen.filter((other) => other !== id))}>
                  Leave it out
                </Button>
              </NoteLine>
            ))}
          </ol>
          <p className="my-3 flex items-center gap-3 text-small font-semibold text-pine before:h-0.5 before:grow before:bg-pine after:h-0.5 after:grow after:bg-pine">
            The critique ends here
          </p>
          <ol aria-label="Not chosen">
            {others.map((note) => (
              <NoteLine key={note.id} note={note} footage={footageOf(note)}>
                <Button look="plain" disabled={chosen.length >= mostFixes} onClick={() => setChosen([...chosen, note.id])}>
                  Keep this fix
                </Button>
              </NoteLine>
            ))}
          </ol>
          {notes.length === 0 && (
            <Empty>
              There are no notes yet.{' '}
              <Link to={`/requests/${request.id}/desk`} className="linked">
                Write one on the desk
              </Link>{' '}
              first.
            </Empty>
          )}
        </section>
        <section aria-label="The letter’s beginning" className="flex flex-col gap-5">
          <Field label="Opening line" hint={`What ${first} reads first: what went well, and what this is about.`}>
            {(field) => (
              <textarea
                {...field}
                rows={7}
                maxLength={2000}
                value={opening}
                onChange={(e) => setOpening(e.target.value)}
                className={`${inputClass} field-sizing-content min-h-36`}
              />
            )}
          </Field>
          {(sending.error ?? saving.error) && <FaultNote>{faultWords(sending.error ?? saving.error)}</FaultNote>}
          <Button large disabled={missing !== null} busy={sending.isLoading} onClick={() => void sendNow()}>
            Send to {first}
          </Button>
          <p className="text-small text-reed" aria-live="polite">
            {missing ?? `${first} gets ${count[chosen.length]} and a letter that says so.`}{' '}
            {saving.isLoading ? 'Saving …' : saving.isSuccess ? 'Saved.' : ''}
          </p>
        </section>
      </div>
    </>
  );
}

function NoteLine({
  note,
  footage,
  place,
  children,
}: {
  note: Note;
  footage: Footage | undefined;
  place?: number;
  children: React.ReactNode;
}) {
  return (
    <li className="grid grid-cols-[1.6rem_1fr_auto] items-start gap-3 border-b border-seam py-3" data-note={note.id}>
      <span className="font-head text-title leading-none">{place}</span>
      <div>
        <p className="flex items-center gap-2 text-small text-reed">
          <KindGlyph kind={note.kind} size={12} /> {kindWords[note.kind]} <BoutClock footage={footage} atFrame={note.fromFrame} />
        </p>
        <p className="text-read text-pretty">{note.what || <span className="text-reed">Nothing written yet</span>}</p>
        {note.instead.map((line, i) => (
          <p key={i} className="text-reed">
            {line.when && `If ${line.when}: `}
            {line.do}
          </p>
        ))}
      </div>
      <div className="flex items-center">{children}</div>
    </li>
  );
}
