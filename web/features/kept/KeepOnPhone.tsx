import type { Film } from '@lean-mentor/contract';
import { Smartphone } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { megabytes } from '../../shared/megabytes.ts';
import { Button, FaultNote, ShareBar } from '../../shared/primitives/index.ts';
import { useAccount } from '../access/index.ts';
import { keepFilm } from './keeping.ts';
import { useKeptFilms } from './useKeptFilms.ts';

interface KeepOnPhoneProps {
  film: Film;
  of: { critiqueId: string; version: number; place: number };
}

/** Keeps a film on the phone for where there is no network; how large it is stands on the button. */
export function KeepOnPhone({ film, of }: KeepOnPhoneProps) {
  const account = useAccount();
  const kept = useKeptFilms(account?.id ?? null);
  const [come, setCome] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const { id: filmId, title, seconds, bytes, words, hasWords } = film;
  // Whoever's sign-out takes it off the phone again.
  const isTheirs = account?.role === 'client' || account?.role === 'guardian';
  if (!account || !isTheirs || kept === null || bytes === null) return null;
  if (kept.some((one) => one.filmId === filmId))
    return (
      <p className="text-reed">
        It is on this phone:{' '}
        <Link className="linked" to="/kept">
          see what is kept here
        </Link>
        .
      </p>
    );
  const keep = async (): Promise<void> => {
    setFault(null);
    setCome(0);
    const wanted = { filmId, accountId: account.id, title: title || 'Spoken', seconds, ...of };
    setFault(await keepFilm(wanted, hasWords && words === 'beside', bytes, setCome));
    setCome(null);
  };
  return (
    <>
      <Button look="plain" busy={come !== null} onClick={() => void keep()} className="min-h-11 self-start">
        <Smartphone size={14} aria-hidden /> Keep it on this phone, {megabytes(bytes)}
      </Button>
      {come !== null && <ShareBar share={Math.min(1, come / bytes)} label="How much of it has come" />}
      {fault && <FaultNote>{fault}</FaultNote>}
    </>
  );
}
