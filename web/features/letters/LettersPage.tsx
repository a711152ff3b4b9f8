import { format } from 'date-fns';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Empty } from '../../shared/primitives/index.ts';
import { useListLettersQuery } from './api.ts';

/** A one-time link, to be passed on by hand to whoever the letter is for. */
function PassedOn({ link, to }: { link: string; to: string }) {
  const address = `${location.origin}${link}`;
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(address);
    toast(`Copied. Whoever opens it comes in as ${to}.`);
  };
  return (
    <p className="mt-2 flex items-center gap-3">
      <span className="time min-w-0 truncate text-reed" title={address}>
        {address}
      </span>
      <Button look="plain" className="shrink-0" aria-label={`Copy the link to ${to}`} onClick={() => void copy()}>
        Copy
      </Button>
    </p>
  );
}

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
            <div className="min-w-0">
              <h2 className="mb-1 text-read">{letter.subject}</h2>
              <p className="whitespace-pre-line">{letter.body}</p>
              {letter.link && <PassedOn link={letter.link} to={letter.toName} />}
            </div>
          </li>
        ))}
      </ol>
    </main>
  );
}
