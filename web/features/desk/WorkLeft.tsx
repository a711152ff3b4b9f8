import { agreementWithClient, type DeskDocument, type Mark } from '@lean-mentor/core/desk';
import { clockText, frameAtSeconds } from '@lean-mentor/core/footage';
import { useMemo } from 'react';
import { useContents, useScene } from './DeskScene.ts';
import { ConflictList } from './notes/NoteConflicts.tsx';
import { useClockAt } from './score/useClockAt.ts';

/** So many marks are listed; Z and X go through all of them. */
const mostListed = 40;

const openMarks = (document: DeskDocument): Mark[] =>
  Object.values(document.marks)
    .filter((mark) => mark.state === 'open')
    .sort((a, b) => a.atFrame - b.atFrame);

/** What is left to do: marks to look at, two versions to choose from, and the client's own marks beside the review. */
export function WorkLeft() {
  const { actions, go } = useScene();
  const { document } = useContents();
  const clockAt = useClockAt();
  const open = openMarks(document);
  const timeOf = ({ atFrame, toFrame }: Mark): string =>
    `${clockText(clockAt(atFrame))}${toFrame === null ? '' : `–${clockText(clockAt(toFrame))}`}`;
  const conflicts = Object.values(document.conflicts);
  return (
    <div className="flex flex-col gap-2 border-t border-seam px-3 py-2 text-small">
      {open.length > 0 && (
        <ul aria-label="Marks to look at" className="flex flex-wrap gap-1.5">
          {open.slice(0, mostListed).map((mark) => (
            <li key={mark.id} className="inline-flex border border-seam bg-linen">
              <button
                type="button"
                // Two marks may be of one second.
                aria-label={`${timeOf(mark)}, frame ${mark.atFrame}`}
                onClick={() => go(mark.atFrame, null)}
                className="time px-1.5 py-0.5 hover:underline"
              >
                {timeOf(mark)}
              </button>
              <button
                type="button"
                aria-label={`let go of the mark on frame ${mark.atFrame}`}
                onClick={() => actions.letGoOfMark(mark.id)}
                className="border-l border-seam px-1.5 hover:bg-straw"
              >
                let go
              </button>
            </li>
          ))}
          {open.length > mostListed && <li className="py-0.5 text-reed">and {open.length - mostListed} more, in the order of time</li>}
        </ul>
      )}
      {conflicts.length > 0 && <ConflictList conflicts={conflicts} />}
      <ClientsMarks />
    </div>
  );
}

/** What the client had marked, beside what the review found. */
function ClientsMarks() {
  const { subject, footage, table, secondsAt, go } = useScene();
  const { notes } = useContents();
  const clockAt = useClockAt();
  const marks = subject.request.clientMarks.filter((mark) => mark.footageId === footage.id);
  const agreement = useMemo(() => agreementWithClient(marks, notes, (_, frame) => secondsAt(frame)), [marks, notes, secondsAt]);
  if (marks.length === 0) return null;
  const clock = (frame: number): string => clockText(clockAt(frame));
  const unseen = notes.filter((note) => agreement.notSeen.includes(note.id));
  return (
    <div aria-label="The client’s own marks" className="border-t border-seam pt-2">
      <p>
        {subject.client.name.split(' ')[0]} marked {marks.length}: the review agrees with {agreement.agreed.length}
        {agreement.notShared.length > 0 && `, not with ${agreement.notShared.length}`}.{' '}
        {unseen.length > 0 ? 'They had not seen: ' : notes.length > 0 && 'They had seen all of it.'}
        {unseen.map((note) => (
          <button key={note.id} type="button" onClick={() => go(note.fromFrame, note.id)} className="time linked mr-2">
            {clock(note.fromFrame)}
          </button>
        ))}
      </p>
      <ul className="flex flex-wrap gap-x-3">
        {marks.map((mark) => {
          const frame = frameAtSeconds(table, mark.atSeconds);
          const agreed = agreement.agreed.some(({ markId }) => markId === mark.id);
          return (
            <li key={mark.id}>
              <button type="button" onClick={() => go(frame, null)} className="hover:underline">
                <span className="time text-client">{clock(frame)}</span> {mark.words || 'no words'}{' '}
                <span className="text-reed">({agreed ? 'the review agrees' : 'nothing of the kind found'})</span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
