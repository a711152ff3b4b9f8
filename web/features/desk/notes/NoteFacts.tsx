import type { Note } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { positionName } from '@lean-mentor/core/scoring';
import { useScene } from '../DeskScene.ts';

/** Where a note stands, from what is known: clock, position and who holds it. */
export function NoteFacts({ note }: { note: Note }) {
  const { boutAt, secondsAt } = useScene();
  const bout = boutAt(note.fromFrame);
  const start = secondsAt(bout?.fromFrame ?? 0);
  const clock = (frame: number): string => clockText(secondsAt(frame) - start);
  const span = bout?.spans.find(({ fromFrame, toFrame }) => fromFrame <= note.fromFrame && note.fromFrame < toFrame);
  const holder = span?.holder === 'client' ? ', client holds' : span?.holder === 'partner' ? ', partner holds' : '';
  return (
    <p className="text-small text-reed">
      At <span className="time">{clock(note.fromFrame)}</span>
      {note.toFrame !== null && (
        <>
          {' '}
          to <span className="time">{clock(note.toFrame)}</span>
        </>
      )}
      {span ? ` in ${positionName(span.position).toLowerCase()}${holder}.` : '. Positions are not coded here.'}
    </p>
  );
}
