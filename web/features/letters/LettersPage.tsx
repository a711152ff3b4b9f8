import { format } from 'date-fns';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty } from '../../shared/primitives/index.ts';
import { useListLettersQuery } from './api.ts';

/** What was sent to whom. The outbox is a stand-in: letters stay here. */
export function LettersPage() {
  const fetched = useListLettersQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = fetched;
  return (
    <main className="max-w-3xl py-8">
      <h1 className="text-title">Letters</h1>
      <p className="mb-6 text-reed">What Lean Mentor wrote to whom. No letter leaves this machine: they are kept here to be read.</p>
      <Fetched of={fetched} />
      {data?.letters.length === 0 && <Empty>No letters yet. The first one is written when you send a critique.</Empty>}
      <ol className="divide-y divide-seam border-y border-seam empty:hidden">
        {data?.letters.map((letter) => (
          <li key={letter.id} className="grid grid-cols-[9rem_1fr] gap-6 py-5">
            <div className="text-small text-reed">
              <p className="font-semibold text-ink">{letter.toName}</p>
              <p className="break-all">{letter.toAddress}</p>
              <p className="time">{format(letter.writtenAt, 'd MMM yyyy H:mm')}</p>
            </div>
            <div>
              <h2 className="mb-1 text-read">{letter.subject}</h2>
              <p className="whitespace-pre-line">{letter.body}</p>
            </div>
          </li>
        ))}
      </ol>
    </main>
  );
}
