import { streamSharedFilm, type Film } from '@lean-mentor/contract';
import { durationText } from '@lean-mentor/core/footage';
import { useState, type ReactNode } from 'react';
import { Button, FaultNote, ShareBar } from '../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../shared/wire/index.ts';
import { useAskSharedFilmMutation, useGetSharedFilmQuery } from './api.ts';
import { isBeingMade, lookAgainMs } from './useFilms.ts';

interface SharedFilmProps {
  token: string;
  place: number;
  /** What it is, for who does not see it. */
  label: string;
  /** Its voice alone, for as long as there is no film. */
  voice: ReactNode;
}

/** Something spoken in a critique for whoever reads it by a link: as a film, made when it is first asked for. */
export function SharedFilm({ token, place, label, voice }: SharedFilmProps) {
  const [moving, setMoving] = useState(false);
  const { data, error } = useGetSharedFilmQuery({ token, place }, { pollingInterval: moving ? lookAgainMs : 0 });
  const [ask, asked] = useAskSharedFilmMutation();
  const film = data?.film ?? null;
  const isMoving = film !== null && isBeingMade(film);
  if (isMoving !== moving) setMoving(isMoving);
  if (film?.state === 'ready')
    return (
      <video
        src={addressOf(streamSharedFilm, { token, place })}
        aria-label={label}
        controls
        playsInline
        preload="metadata"
        className="w-full bg-stage"
      />
    );
  const fault = asked.error ?? error;
  return (
    <>
      {voice}
      {film && isMoving ? (
        <Making film={film} />
      ) : (
        <Button look="plain" busy={asked.isLoading} onClick={() => void ask({ token, place })} className="self-start">
          See it with its picture
        </Button>
      )}
      {film?.state === 'failed' && <FaultNote>{film.failure ?? 'It could not be made.'}</FaultNote>}
      {fault && <FaultNote>{faultWords(fault)}</FaultNote>}
    </>
  );
}

function Making({ film: { share, secondsLeft } }: { film: Film }) {
  return (
    <div>
      <p role="status" className="text-desk text-reed">
        The picture is being made{secondsLeft !== null && secondsLeft > 1 && `, ${durationText(secondsLeft)} left`}. It stands here then.
      </p>
      <ShareBar share={share} label="How far the picture is" />
    </div>
  );
}
