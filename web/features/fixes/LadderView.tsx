import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { chainOf, type Note } from '@lean-mentor/core/desk';
import { candidateOf, fixesForLevel, mostFixes } from '@lean-mentor/core/fixes';
import { Fragment, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { savingWords } from '../../shared/keeping/index.ts';
import { Button, Empty, FacePlate, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { AgreementNote } from './AgreementNote.tsx';
import type { LadderData } from './api.ts';
import { CutLine, cutId } from './CutLine.tsx';
import { NotesInOut } from './NotesInOut.tsx';
import { RenameNotes } from './RenameNotes.tsx';
import { Rung } from './Rung.tsx';
import { RungMenu } from './RungMenu.tsx';
import { SchoolSwitch } from './SchoolSwitch.tsx';
import { useLadder } from './useLadder.ts';
import { WarningList } from './WarningList.tsx';

interface LadderViewProps {
  subject: ResponseOf<typeof contract.openDesk>;
  data: LadderData;
  book: ResponseOf<typeof contract.getBook>;
  onRenamed: () => void;
}

const counts = ['No fix', 'One fix', 'Two fixes', 'Three fixes'];
const isWrong = ({ kind, athlete }: Note): boolean =>
  athlete === 'client' && (kind === 'mistake' || kind === 'missed-chance' || kind === 'caution');

/** The ladder: candidates with their parts, the cut line, what to mind; and the answer to what was asked. */
export function LadderView({ subject, data, book, onRenamed }: LadderViewProps) {
  const { request, client, document } = subject;
  const hand = useLadder({ data, subject, principles: book.principles, drills: book.drills });
  const { choice, ladder, computed, change } = hand;
  const [renaming, setRenaming] = useState<{ id: string; how: 'merge' | 'split' } | null>(null);
  const navigate = useNavigate();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const first = client.name.split(' ')[0]!;
  const principleOf = (id: string) => book.principles.find((one) => one.id === id);
  const nameOf = (id: string): string => principleOf(id)?.name ?? (document.notes[id]?.what || 'a note');
  const places = new Map(request.footages.map(({ id }, i) => [id, i]));
  const notesOf = (id: string): Note[] =>
    Object.values(document.notes)
      .filter((note) => isWrong(note) && candidateOf(note) === id)
      .sort((a, b) => (places.get(a.footageId) ?? 0) - (places.get(b.footageId) ?? 0) || a.fromFrame - b.fromFrame);

  /** Rungs and the line across them, from top to bottom. */
  const row = [
    ...ladder.rungs.slice(0, ladder.cut).map(({ principle }) => principle),
    cutId,
    ...ladder.rungs.slice(ladder.cut).map(({ principle }) => principle),
  ];
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const moved = arrayMove(row, row.indexOf(String(active.id)), row.indexOf(String(over.id)));
    const order = moved.filter((id) => id !== cutId);
    // What was dragged across the line is inside or outside now; the line itself may be dragged as well.
    change({ order: active.id === cutId ? choice.order : order, cut: Math.min(mostFixes, moved.indexOf(cutId)) });
  };
  const level = fixesForLevel(client.level);
  const byId = new Map(Object.entries(document.notes));
  const began = (notes: readonly Note[]): string | null => {
    const roots = notes.flatMap((note) =>
      chainOf(byId, note.id)
        .slice(1)
        .filter((id) => document.notes[id]?.causes.length === 0),
    );
    const root = roots[0] && document.notes[roots[0]];
    return root && root.principleId !== notes[0]?.principleId ? `It began with: ${root.what}` : null;
  };

  return (
    <>
      <header className="mb-6 flex items-center gap-4">
        <FacePlate name={client.name} level={client.level} />
        <div className="min-w-0 grow">
          <h1 className="text-title">What is worth sending to {first}</h1>
          <p className="truncate text-reed">“{request.question}”</p>
        </div>
        {client.hurts.length > 0 && <p className="border-l-4 border-brick pl-2">Mind: {client.hurts.join(', ')}</p>}
        <Link to={`/requests/${request.id}/desk`} className="linked">
          Back to the desk
        </Link>
      </header>
      <div className="grid grid-cols-[minmax(0,1fr)_340px] gap-12">
        <section aria-label="The ladder">
          <SchoolSwitch hand={hand} />
          <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
            <SortableContext items={row} strategy={verticalListSortingStrategy}>
              <ol className="mt-3 border-t border-seam">
                {row.map((id) => {
                  if (id === cutId)
                    return (
                      <CutLine
                        key={id}
                        cut={ladder.cut}
                        most={Math.min(mostFixes, ladder.rungs.length)}
                        onMove={(cut) => change({ cut })}
                      />
                    );
                  const place = ladder.rungs.findIndex(({ principle }) => principle === id);
                  const fix = ladder.rungs[place]!;
                  const notes = notesOf(id);
                  return (
                    <Fragment key={id}>
                      <Rung
                        {...{ fix, notes, school: hand.school, harms: data.harms, requestId: request.id, footages: request.footages }}
                        place={place + 1}
                        computedPlace={computed.findIndex(({ principle }) => principle === id) + 1}
                        sent={place < ladder.cut}
                        pinned={fix.pinned || choice.pinned.includes(id)}
                        principle={principleOf(id)}
                        began={began(notes)}
                        menu={
                          <RungMenu
                            {...{ fix, hand, notes }}
                            name={nameOf(id)}
                            principle={principleOf(id)}
                            onRename={(how) => setRenaming({ id, how })}
                          />
                        }
                      />
                      {renaming?.id === id && (
                        <li>
                          <RenameNotes
                            requestId={request.id}
                            how={renaming.how}
                            notes={notes}
                            principles={book.principles}
                            onDone={() => {
                              setRenaming(null);
                              onRenamed();
                            }}
                          />
                        </li>
                      )}
                    </Fragment>
                  );
                })}
              </ol>
            </SortableContext>
          </DndContext>
          {ladder.rungs.length === 0 && ladder.parked.length === 0 && (
            <Empty>
              Nothing to fix is noted yet.{' '}
              <Link to={`/requests/${request.id}/desk`} className="linked">
                Write a note on the desk
              </Link>{' '}
              first.
            </Empty>
          )}
          {ladder.parked.length > 0 && (
            <section aria-label="Parked" className="mt-4">
              <h2 className="text-desk font-semibold text-reed">Parked for later</h2>
              <ul>
                {ladder.parked.map(({ principle }) => (
                  <li key={principle} className="flex items-center justify-between border-b border-seam py-1">
                    {nameOf(principle)}
                    <Button look="quiet" onClick={() => change({ parked: choice.parked.filter((id) => id !== principle) })}>
                      Back on the ladder
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
          )}
          <NotesInOut requestId={request.id} onBrought={onRenamed} />
        </section>
        <aside className="flex flex-col gap-6">
          <Field label={`Your answer to ${first}`} hint="One or two sentences. It comes first in the critique.">
            {(field) => (
              <textarea
                {...field}
                rows={3}
                maxLength={2000}
                value={choice.answer}
                onChange={({ target }) => change({ answer: target.value })}
                className={`${inputClass} field-sizing-content min-h-20`}
              />
            )}
          </Field>
          <section aria-label="To mind">
            <h2 className="mb-1 text-desk">To mind</h2>
            <WarningList hand={hand} />
            <UnexplainedNote requestId={request.id} unexplained={data.unexplained} />
          </section>
          {ladder.differs && (
            <Field label={`Why not as ${hand.school.name} says?`} hint="For you, to look back on.">
              {(field) => (
                <textarea
                  {...field}
                  rows={2}
                  maxLength={600}
                  value={choice.reason}
                  onChange={({ target }) => change({ reason: target.value })}
                  className={`${inputClass} field-sizing-content`}
                />
              )}
            </Field>
          )}
          {choice.order && (
            <button type="button" className="linked self-start text-small" onClick={() => change({ order: null, reason: '' })}>
              Back to the computed order
            </button>
          )}
          <div className="flex flex-col gap-2">
            {hand.keeping.fault && <FaultNote>{faultWords(hand.keeping.fault)}</FaultNote>}
            <Button large onClick={() => void navigate(`/requests/${request.id}/critique`)}>
              Write the critique
            </Button>
            <p className="text-small text-reed" aria-live="polite">
              {counts[ladder.cut]}; at this level {counts[level]!.toLowerCase()} {level === 1 ? 'is' : 'are'} what a client carries away.{' '}
              {savingWords(hand.keeping)}.
            </p>
          </div>
          <section aria-label="Agreement">
            <AgreementNote agreement={data.agreement} nameOf={nameOf} />
          </section>
          {data.parkedBefore.length > 0 && (
            <p className="text-small text-reed">Parked earlier: {data.parkedBefore.map(nameOf).join('; ')}.</p>
          )}
        </aside>
      </div>
    </>
  );
}

/** What was conceded with no note before it: perhaps the note that is missing. */
function UnexplainedNote({ requestId, unexplained }: { requestId: string; unexplained: LadderData['unexplained'] }) {
  if (unexplained.length === 0) return null;
  return (
    <p className="mt-2 border-l border-seam pl-3 text-small text-reed">
      No note stands before {unexplained.length === 1 ? 'this' : 'these'}:{' '}
      {unexplained.map(({ footageId, atFrame, points, finish }, i) => (
        <Fragment key={`${footageId} ${atFrame} ${i}`}>
          {i > 0 && ', '}
          <Link to={`/requests/${requestId}/desk?footage=${footageId}&frame=${atFrame}`} className="linked">
            {finish ? 'a finish' : `${points} points`} conceded
          </Link>
        </Fragment>
      ))}
      .
    </p>
  );
}
