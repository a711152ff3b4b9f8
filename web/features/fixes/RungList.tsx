import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { mostFixes } from '@lean-mentor/core/fixes';
import { Fragment, useState } from 'react';
import type { LadderData } from './api.ts';
import { CutLine, cutId } from './CutLine.tsx';
import { notesOfCandidate, whatItLedTo, whereItBegan, type LadderSubject } from './ladderSubject.ts';
import { RenameNotes } from './RenameNotes.tsx';
import { Rung } from './Rung.tsx';
import { RungMenu } from './RungMenu.tsx';
import type { LadderControls } from './useLadder.ts';

interface RungListProps {
  deciding: LadderControls;
  subject: LadderSubject;
  data: LadderData;
  book: ResponseOf<typeof contract.getBook>;
  nameOf: (id: string) => string;
}

/** The rungs and the line across them, from top to bottom; both can be dragged. */
export function RungList(props: RungListProps) {
  const { ladder, choice, change } = props.deciding;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = ladder.rungs.map(({ principle }) => principle);
  const row = [...ids.slice(0, ladder.cut), cutId, ...ids.slice(ladder.cut)];
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const moved = arrayMove(row, row.indexOf(String(active.id)), row.indexOf(String(over.id)));
    const order = moved.filter((id) => id !== cutId);
    // What was dragged across the line is inside or outside now; the line itself may be dragged as well.
    change({ order: active.id === cutId ? choice.order : order, cut: Math.min(mostFixes, moved.indexOf(cutId)) });
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
      <SortableContext items={row} strategy={verticalListSortingStrategy}>
        <ol className="mt-3 border-t border-seam">
          {row.map((id) =>
            id === cutId ? (
              <CutLine key={id} cut={ladder.cut} most={Math.min(mostFixes, ids.length)} onMove={(cut) => change({ cut })} />
            ) : (
              <RungOf key={id} id={id} {...props} />
            ),
          )}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

/** One candidate with its menu, and what is being renamed of it. */
function RungOf({ id, deciding, subject, data, book, nameOf }: RungListProps & { id: string }) {
  const { ladder, computed, choice, school } = deciding;
  const { request } = subject;
  const [renaming, setRenaming] = useState<'merge' | 'split' | null>(null);
  const principle = book.principles.find((one) => one.id === id);
  const place = ladder.rungs.findIndex((one) => one.principle === id);
  const fix = ladder.rungs[place]!;
  const notes = notesOfCandidate(subject, id);
  return (
    <Fragment>
      <Rung
        {...{ fix, notes, school, principle, harms: data.harms, requestId: request.id, footages: request.footages }}
        place={place + 1}
        computedPlace={computed.findIndex((one) => one.principle === id) + 1}
        sent={place < ladder.cut}
        pinned={fix.pinned || choice.pinned.includes(id)}
        chain={[whereItBegan(subject, notes), whatItLedTo(subject, notes, data.harms)]}
        menu={<RungMenu {...{ fix, deciding, notes, principle }} name={nameOf(id)} onRename={setRenaming} />}
      />
      {renaming && (
        <li>
          <RenameNotes how={renaming} notes={notes} principles={book.principles} onDone={() => setRenaming(null)} />
        </li>
      )}
    </Fragment>
  );
}
