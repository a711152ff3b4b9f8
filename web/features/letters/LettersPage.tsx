import type { Letter } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, Empty, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useListLettersQuery, useSendLetterAgainMutation } from './api.ts';

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

/** Whether a letter left this machine. */
function Sent({ letter: { id, toName, sentAt, failure } }: { letter: Letter }) {
  const [again, { isLoading, error }] = useSendLetterAgainMutation();
  if (sentAt) return <p className="mt-2 text-small text-reed">Sent on {format(sentAt, 'd MMM, H:mm')}.</p>;
  if (!failure) return <p className="mt-2 text-small text-reed">On its way.</p>;
  return (
    <div className="mt-2 flex flex-col gap-2">
      <p className="text-small text-brick">It could not be sent. {failure}</p>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button
        look="plain"
        busy={isLoading}
        className="self-start"
        aria-label={`Send the letter to ${toName} again`}
        onClick={() => void again(id)}
      >
        Send it again
      </Button>
    </div>
  );
}

/** What was sent to whom. Without a mail server they stay here. */
export function LettersPage() {
  const fetched = useListLettersQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = fetched;
  return (
    <div className="max-w-3xl">
      <p className="mb-6 text-reed">
        What Lean Mentor wrote to whom.{data && !data.leave && ' No letter leaves this machine: they are kept here to be read.'}
      </p>
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
              {letter.inApp ? (
                <p className="mt-2 text-small text-reed">Only in the app: they want none by mail.</p>
              ) : (
                data.leave && <Sent letter={letter} />
              )}
              {letter.link && <PassedOn link={letter.link} to={letter.toName} />}
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}
