import type { Role } from '@lean-mentor/contract';
import { useState } from 'react';
import { Outlet } from 'react-router';
import { SignInPage, useGetSessionQuery } from '../features/access/index.ts';
import { KeptWay } from '../features/kept/index.ts';
import { WorkWay } from '../features/work/index.ts';
import { lastOwner } from '../shared/keeping/index.ts';
import { FaultNote } from '../shared/primitives/index.ts';
import { faultWords } from '../shared/wire/index.ts';
import { MissingPage } from './PageFault.tsx';

interface SignedInProps {
  as?: readonly Role[];
  /** Where nothing can be reached, whoever was signed in here last comes through: the page shows what is kept of theirs. */
  orKept?: boolean;
}

/** Lets signed-in people (of the given roles) through; others sign in where they are, and stay on the page they came for. */
export function SignedIn({ as, orKept = false }: SignedInProps) {
  const { data, error, isLoading, refetch } = useGetSessionQuery();
  // Every part of the page asks anew who is signed in; while it asks, a page that was let through as kept stays.
  const [isLetThrough, setLetThrough] = useState(false);
  if (error && !data && orKept && !isLetThrough && lastOwner() !== null) setLetThrough(true);
  if (isLetThrough && !data) return <Outlet />;
  if (isLoading) return <div role="status" aria-label="Loading" className="min-h-dvh" />;
  if (error && !data)
    return (
      <main className="mx-auto max-w-lg p-8">
        <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>
        <WorkWay />
        <KeptWay />
      </main>
    );
  const account = data?.account ?? null;
  if (!account) return <SignInPage />;
  return !as || as.includes(account.role) ? <Outlet /> : <MissingPage />;
}
