import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { Link } from 'react-router';
import { Button, Empty, FacePlate } from '../../shared/primitives/index.ts';
import type { LadderData } from './api.ts';
import { LadderAside } from './LadderAside.tsx';
import type { LadderSubject } from './ladderSubject.ts';
import { NotesInOut } from './NotesInOut.tsx';
import { RungList } from './RungList.tsx';
import { SchoolSwitch } from './SchoolSwitch.tsx';
import { useLadder, type LadderControls } from './useLadder.ts';

interface LadderViewProps {
  subject: LadderSubject;
  data: LadderData;
  book: ResponseOf<typeof contract.getBook>;
  /** Notes have come in from a file. */
  onBrought: () => void;
}

/** The ladder: candidates with their parts, the cut line, what to mind; and the answer to what was asked. */
export function LadderView({ subject, data, book, onBrought }: LadderViewProps) {
  const { request, client, document } = subject;
  const deciding = useLadder({ data, subject, principles: book.principles, drills: book.drills });
  const { ladder } = deciding;
  const nameOf = (id: string): string => book.principles.find((one) => one.id === id)?.name ?? (document.notes[id]?.what || 'a note');
  return (
    <>
      <header className="mb-6 flex items-center gap-4">
        <FacePlate name={client.name} level={client.level} />
        <div className="min-w-0 grow">
          <h1 className="text-title">What is worth sending to {client.name.split(' ')[0]!}</h1>
          <p className="truncate text-reed">“{request.question}”</p>
        </div>
        {client.hurts.length > 0 && <p className="border-l-4 border-brick pl-2">Mind: {client.hurts.join(', ')}</p>}
        <Link to={`/requests/${request.id}/desk`} className="linked">
          Back to the desk
        </Link>
      </header>
      <div className="grid grid-cols-[minmax(0,1fr)_340px] gap-12">
        <section aria-label="The ladder">
          <SchoolSwitch deciding={deciding} />
          <RungList {...{ deciding, subject, data, book, nameOf }} />
          {ladder.rungs.length === 0 && ladder.parked.length === 0 && (
            <Empty>
              Nothing to fix is noted yet.{' '}
              <Link to={`/requests/${request.id}/desk`} className="linked">
                Write a note on the desk
              </Link>{' '}
              first.
            </Empty>
          )}
          <Parked deciding={deciding} nameOf={nameOf} />
          <NotesInOut requestId={request.id} onBrought={onBrought} />
        </section>
        <LadderAside {...{ deciding, subject, data, nameOf }} />
      </div>
    </>
  );
}

function Parked({ deciding: { ladder, choice, change }, nameOf }: { deciding: LadderControls; nameOf: (id: string) => string }) {
  if (ladder.parked.length === 0) return null;
  return (
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
  );
}
