import { useEffect, useState } from 'react';
import { keptFilms, onKeptChange, type KeptFilm } from './keptStore.ts';

/** What somebody keeps on this device; null until it is known. */
export function useKeptFilms(accountId: string | null): readonly KeptFilm[] | null {
  const [films, setFilms] = useState<readonly KeptFilm[] | null>(null);
  useEffect(() => {
    let away = false;
    const look = (): void => void keptFilms(accountId).then((found) => !away && setFilms(found));
    look();
    const stop = onKeptChange(look);
    return () => {
      away = true;
      stop();
    };
  }, [accountId]);
  return films;
}
