import { getDeskStillPng, type Footage } from '@lean-mentor/contract';
import type { Note } from '@lean-mentor/core/desk';
import type { OwnHarm } from '@lean-mentor/core/fixes';
import { Link } from 'react-router';
import { addressOf } from '../../shared/wire/index.ts';
import { BoutClock } from '../footage/index.ts';
import { harmWords } from './partWords.ts';

interface RungMomentsProps {
  requestId: string;
  notes: readonly Note[];
  footages: readonly Footage[];
  harms: Readonly<Record<string, OwnHarm>>;
}

const mostShown = 6;

/** The moments a fix rests on, as small stills that lead to the desk; what each cost beside it. */
export function RungMoments({ requestId, notes, footages, harms }: RungMomentsProps) {
  return (
    <ul className="flex flex-wrap gap-2">
      {notes.slice(0, mostShown).map((note) => {
        const footage = footages.find(({ id }) => id === note.footageId);
        return (
          <li key={note.id} className="w-28 text-tiny">
            <Link
              to={`/requests/${requestId}/desk?footage=${note.footageId}&frame=${note.fromFrame}`}
              title={note.what}
              className="group block"
            >
              <img
                src={addressOf(getDeskStillPng, { requestId, footageId: note.footageId, frame: note.fromFrame })}
                alt={note.what || 'A moment without words'}
                loading="lazy"
                className="aspect-video w-full bg-stage object-cover group-hover:outline-2 group-hover:outline-pine"
              />
              <span className="flex justify-between gap-1">
                <BoutClock footage={footage} atFrame={note.fromFrame} />
                <span className="truncate text-reed">{harms[note.id] && harmWords(harms[note.id]!)}</span>
              </span>
            </Link>
          </li>
        );
      })}
      {notes.length > mostShown && <li className="self-center text-small text-reed">and {notes.length - mostShown} more</li>}
    </ul>
  );
}
