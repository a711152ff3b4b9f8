import { format } from 'date-fns';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty } from '../../shared/primitives/index.ts';
import { useListOwnLettersQuery, useReadOwnLettersMutation } from './api.ts';
import { OwnLettersChoice } from './OwnLettersChoice.tsx';

/** What was written to whoever is signed in. Looked at, it counts as read. */
export function OwnLettersPage() {
  const fetched = useListOwnLettersQuery(undefined, { refetchOnMountOrArgChange: true });
  const [read] = useReadOwnLettersMutation();
  const unread = fetched.data?.letters.some(({ readAt }) => readAt === null) ?? false;
  useEffect(() => {
    // Once they were on the screen for a moment: who only passes by has not read them.
    const timer = unread ? setTimeout(() => void read(), 2000) : undefined;
    return () => clearTimeout(timer);
  }, [unread, read]);
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-6 py-6">
      <h1 className="text-title">Letters</h1>
      <Fetched of={fetched} rows={3}>
        {({ letters }) =>
          letters.length === 0 ? (
            <Empty>No letters yet. The first one comes with your first critique.</Empty>
          ) : (
            <ol className="divide-y divide-seam border-y border-seam">
              {letters.map(({ id, subject, body, writtenAt, readAt }) => (
                <li key={id} className="py-4">
                  <p className="time text-small text-reed">
                    {format(writtenAt, 'd MMM yyyy H:mm')}
                    {readAt === null && <span className="font-semibold text-pine"> new</span>}
                  </p>
                  <h2 className="mb-1 text-read">{subject}</h2>
                  <p className="break-words whitespace-pre-line">
                    <Linked text={body} />
                  </p>
                </li>
              ))}
            </ol>
          )
        }
      </Fetched>
      <OwnLettersChoice />
    </main>
  );
}

/** A text in which addresses of critiques can be followed. */
function Linked({ text }: { text: string }) {
  return text.split(/(\/c\/[a-z0-9]+)/).map((part, i) =>
    i % 2 === 1 ? (
      <Link key={i} to={part} className="linked">
        the critique
      </Link>
    ) : (
      part
    ),
  );
}
