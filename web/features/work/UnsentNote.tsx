import { format } from 'date-fns';
import { Button, FaultNote } from '../../shared/primitives/index.ts';
import type { Outbox } from './outbox.ts';
import type { Unsent } from './workShelves.ts';

/** What was entered and has not arrived: it is kept, and goes out by itself. */
export function UnsentNote({ waiting }: { waiting: readonly Unsent[] }) {
  if (waiting.length === 0) return null;
  return (
    <p role="status" data-unsent={waiting.length} className="border-l-2 border-brass pl-3 text-desk">
      {waiting.length === 1 ? 'One entry is' : `${waiting.length} entries are`} kept on this phone and will be sent when there is a network.
    </p>
  );
}

const today = (): string => format(new Date(), 'yyyy-MM-dd');

/** What the server did not take, and why; it stays here until its author lets it go. */
export const RefusedNotes = ({ outbox, refused }: { outbox: Outbox; refused: ReturnType<Outbox['lying']>['refused'] }) =>
  refused.map(({ entry, why }) => (
    <div key={entry.doneWorkId} className="flex flex-col gap-2">
      <FaultNote>
        What you entered for {entry.body.doneOn} was not taken: {why} It is still here.
      </FaultNote>
      <p className="flex flex-wrap gap-3">
        {entry.body.doneOn !== today() && (
          <Button look="plain" large onClick={() => outbox.sendAgain(entry.doneWorkId, today())}>
            Send it with today’s date
          </Button>
        )}
        <Button look="quiet" large onClick={() => outbox.dropRefused(entry.doneWorkId)}>
          Let it go
        </Button>
      </p>
    </div>
  ));
