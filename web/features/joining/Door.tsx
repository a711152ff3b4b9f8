import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Wordmark } from '../../shared/primitives/index.ts';

/** A page before somebody is in: one thing to do, and the way back to the door. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="mx-auto flex min-h-dvh w-full max-w-sm flex-col justify-center gap-6 px-6 py-10 text-read">
      <Wordmark large />
      <h1 className="text-title">{title}</h1>
      {children}
      <Link to="/" className="linked inline-flex min-h-11 items-center self-start text-desk">
        To the sign-in
      </Link>
    </main>
  );
}
