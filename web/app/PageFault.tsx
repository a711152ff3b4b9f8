import { Link, useRouteError } from 'react-router';
import { Button, Wordmark } from '../shared/primitives/index.ts';

/** The page itself broke. What was saved is on the server; what was not is kept in this browser. */
export function PageFault() {
  const error = useRouteError();
  return (
    <main className="mx-auto flex min-h-dvh max-w-lg flex-col items-start justify-center gap-5 p-8">
      <Wordmark />
      <h1 className="text-title">This page stopped working.</h1>
      <p className="text-read">Nothing you wrote was lost: it is saved, or kept in this browser until it is. Load the page again.</p>
      <p className="text-small text-reed">{error instanceof Error ? error.message : ''}</p>
      <Button onClick={() => globalThis.location.reload()}>Load again</Button>
    </main>
  );
}

export const MissingPage = () => (
  <main className="mx-auto flex min-h-dvh max-w-lg flex-col items-start justify-center gap-5 p-8">
    <Wordmark />
    <h1 className="text-title">There is no page at this address for you.</h1>
    <Link to="/" className="linked text-read">
      Go to your first page
    </Link>
  </main>
);
