import type { StandInKey } from '@lean-mentor/contract';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetStandInQuery, usePressStandInMutation } from './api.ts';

/** What each key makes happen, by the letter that presses it. */
const keys: Record<StandInKey, { letter: string; does: string; done: string }> = {
  pays: { letter: 'p', does: 'It is paid', done: 'It was paid.' },
  fails: { letter: 'f', does: 'It fails', done: 'It did not go through.' },
  'is-late': { letter: 'l', does: 'It is late: it comes in three days', done: 'It is on its way and comes in three days.' },
  'charges-back': { letter: 'c', does: 'The bank takes it back', done: 'The bank took it back.' },
};

/** The stand-in of a payment service: it asks for nothing and moves nothing. */
export function StandInPage() {
  const { paymentId } = useParams() as { paymentId: string };
  const fetched = useGetStandInQuery(paymentId, { refetchOnMountOrArgChange: true });
  const [press, { isLoading, error }] = usePressStandInMutation();
  const may = fetched.data?.keys;
  useEffect(() => {
    const hear = ({ key, metaKey, ctrlKey, altKey }: KeyboardEvent): void => {
      const pressed = may?.find((one) => keys[one].letter === key.toLowerCase());
      if (pressed && !metaKey && !ctrlKey && !altKey) void press({ paymentId, key: pressed });
    };
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, [may, press, paymentId]);
  return (
    <main className="mx-auto flex max-w-md flex-col gap-5 py-6">
      <h1 className="text-title">A payment, played through</h1>
      <p className="border-l-4 border-brass pl-3">
        This page stands in for a payment service. No money moves, and nothing of a card is asked or kept. Say what shall happen:
      </p>
      <Fetched of={fetched} rows={2}>
        {({ amount, currency, words, told, keys: now }) => (
          <>
            <p className="flex justify-between gap-4 border-y border-seam py-3 text-read">
              <span>{words}</span>
              <span className="time">
                {amount} {currency}
              </span>
            </p>
            <ul role="status" className="empty:hidden">
              {told.map((one, i) => (
                <li key={i}>{keys[one].done}</li>
              ))}
            </ul>
            <div className="flex flex-col gap-2">
              {now.map((one) => (
                <Button key={one} look="plain" large busy={isLoading} onClick={() => void press({ paymentId, key: one })}>
                  {keys[one].does} <kbd className="text-small text-reed">{keys[one].letter.toUpperCase()}</kbd>
                </Button>
              ))}
            </div>
          </>
        )}
      </Fetched>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Link to="/plan" className="linked">
        Back to your plan
      </Link>
    </main>
  );
}
