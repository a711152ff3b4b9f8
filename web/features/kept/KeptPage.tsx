import { clockText } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { megabytes } from '../../shared/megabytes.ts';
import { Button, Wordmark } from '../../shared/primitives/index.ts';
import { useGetSessionQuery } from '../access/index.ts';
import { checkKept, goneWords } from './keeping.ts';
import { lastOwner } from '../../shared/keeping/index.ts';
import { dropKept, type KeptFilm } from './keptStore.ts';
import { useKeptFilms } from './useKeptFilms.ts';

/** What is kept on this phone: opens with a network or without one. */
export function KeptPage() {
  const { data: session } = useGetSessionQuery();
  const accountId = session ? (session.account?.id ?? null) : lastOwner();
  const films = useKeptFilms(accountId);
  const [went, setWent] = useState<string[]>([]);
  useEffect(() => {
    if (session?.account) void checkKept(session.account.id).then(setWent);
  }, [session?.account]);
  return (
    <div className="thumbs mx-auto flex min-h-dvh max-w-[720px] flex-col text-read">
      <header className="flex h-14 items-center justify-between gap-4 border-b border-seam px-5">
        <Wordmark />
        <Link className="linked inline-flex min-h-11 items-center text-desk" to="/mine">
          My critiques
        </Link>
      </header>
      <main className="flex grow flex-col gap-4 px-5 py-5">
        <h1 className="text-title">On this phone</h1>
        {went.length > 0 && (
          <p role="status" className="border-l-2 border-pine pl-2 text-desk">
            {goneWords(went)}
          </p>
        )}
        {films?.length === 0 && (
          <p className="text-reed">
            Nothing is kept here. Under something spoken in a critique, have it made as a film; then it can be kept on this phone for where
            there is no network.
          </p>
        )}
        {films?.map((one) => (
          <Kept key={one.filmId} kept={one} />
        ))}
        {films && films.length > 0 && (
          <p className="text-desk text-reed">Others can be seen on these films. Signing out takes them off this phone.</p>
        )}
      </main>
    </div>
  );
}

/** An address of something in the page's memory, for as long as it is shown. */
function useObjectAddress(blob: Blob | null): string | undefined {
  const address = useMemo(() => (blob ? URL.createObjectURL(blob) : undefined), [blob]);
  useEffect(
    () => () => {
      if (address) URL.revokeObjectURL(address);
    },
    [address],
  );
  return address;
}

function Kept({ kept: { filmId, critiqueId, title, seconds, film, words, keptAt, outdated } }: { kept: KeptFilm }) {
  const address = useObjectAddress(film);
  const track = useMemo(() => (words ? new Blob([words], { type: 'text/vtt' }) : null), [words]);
  const trackAddress = useObjectAddress(track);
  return (
    <section aria-label={title} className="flex flex-col gap-2 border-t border-ink pt-3" data-kept={filmId}>
      <h2 className="text-read">
        {title} <span className="time text-reed">{clockText(seconds)}</span>
      </h2>
      {outdated && (
        <p className="border-l-2 border-brass pl-2 text-desk">
          The coach has sent this anew since.{' '}
          <Link className="linked" to={`/critiques/${critiqueId}`}>
            See what is new
          </Link>
          .
        </p>
      )}
      <video src={address} aria-label={title} controls playsInline preload="metadata" className="w-full bg-stage">
        {trackAddress && <track kind="captions" src={trackAddress} label="Words" default />}
      </video>
      <p className="flex flex-wrap items-center gap-x-4 text-desk text-reed">
        Kept on {format(keptAt, 'd MMMM')}, {megabytes(film.size)}.
        <Button look="quiet" className="min-h-11" aria-label={`Let it go: ${title}`} onClick={() => void dropKept([filmId])}>
          Let it go
        </Button>
      </p>
    </section>
  );
}
