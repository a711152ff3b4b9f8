import { getFilmWords, streamFilm, type Film, type FilmForm } from '@lean-mentor/contract';
import { clockText, durationText } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { megabytes } from '../../shared/megabytes.ts';
import { Button, Choice, FaultNote, ShareBar } from '../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../shared/wire/index.ts';
import { KeepOnPhone } from '../kept/index.ts';
import { useStopFilmMutation } from './api.ts';
import { useFilms, type FilmSubject } from './useFilms.ts';

interface FilmBoxProps {
  of: FilmSubject;
  /** Of the footage, in pixels: a film need not be larger. */
  size: { width: number; height: number };
  /** Whether there are words that could be burnt in. */
  hasWords: boolean;
}

/** Longest side of a small film. */
const smallSide = 1280;

/** Something spoken as a video file, for who wants one: how it is to be made, how far it is, and where it can be had. */
export function FilmBox(props: FilmBoxProps) {
  const [open, setOpen] = useState(false);
  return (
    <details className="not-printed border-t border-seam text-desk" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-pine">As a film, to keep or send on</summary>
      {open && <Films {...props} />}
    </details>
  );
}

function Films({ of, size, hasWords }: FilmBoxProps) {
  const { films, error, ask, asking, refused } = useFilms(of);
  const [form, setForm] = useState<FilmForm>({ size: 'small', words: 'beside' });
  const isLarge = Math.max(size.width, size.height) > smallSide;
  return (
    <div className="flex flex-col gap-3 pb-3">
      {isLarge && (
        <Choice
          label="How large"
          value={form.size}
          onChange={(value) => setForm({ ...form, size: value })}
          options={[
            { value: 'small', words: 'Small', hint: `up to ${smallSide} pixels long` },
            { value: 'footage', words: 'As it was filmed', hint: `${size.width} × ${size.height}` },
          ]}
        />
      )}
      {hasWords && (
        <Choice
          label="The words"
          value={form.words}
          onChange={(value) => setForm({ ...form, words: value })}
          options={[
            { value: 'beside', words: 'Can be turned off', hint: 'a track of the film, and a file' },
            { value: 'burnt', words: 'Always seen', hint: 'part of the picture' },
          ]}
        />
      )}
      <p className="text-reed">
        It takes about as long as it is; the page can be closed meanwhile. Others can be seen on it: ask them before you send it on.
      </p>
      <Button look="plain" busy={asking} onClick={() => ask(form)} className="self-start">
        Make the film
      </Button>
      {refused && <FaultNote>{faultWords(refused)}</FaultNote>}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      {films && films.length > 0 && (
        <ul aria-label="Films" className="flex flex-col divide-y divide-seam border-y border-seam">
          {films.map((one) => (
            <FilmLine key={one.id} film={one} of={of} isLarge={isLarge} onAgain={() => ask({ size: one.size, words: one.words })} />
          ))}
        </ul>
      )}
    </div>
  );
}

const formWords = ({ size, words, hasWords }: Film, isLarge: boolean): string =>
  [
    ...(isLarge ? [size === 'small' ? 'small' : 'as it was filmed'] : []),
    ...(hasWords ? [words === 'burnt' ? 'words always seen' : 'words can be turned off'] : []),
  ]
    .filter(Boolean)
    .join(', ');

interface FilmLineProps {
  film: Film;
  of: FilmSubject;
  isLarge: boolean;
  onAgain: () => void;
}

function FilmLine({ film, of, isLarge, onAgain }: FilmLineProps) {
  const [stop, stopping] = useStopFilmMutation();
  const { id, state, share, secondsLeft, bytes, keptUntil, failure, hasWords } = film;
  const about = formWords(film, isLarge);
  const linkStyle = 'linked inline-flex min-h-11 items-center gap-1.5';
  return (
    <li className="flex flex-col gap-1 py-2" data-film={state}>
      <p>
        Film{about && `, ${about}`}, <span className="time">{clockText(film.seconds)}</span>
      </p>
      {(state === 'waiting' || state === 'making') && (
        <>
          <p role="status" className="text-reed">
            {state === 'waiting' ? 'It waits for its turn' : 'It is being made'}
            {secondsLeft !== null && secondsLeft > 1 && `, ${durationText(secondsLeft)} left`}.
          </p>
          <ShareBar share={share} label="How far the film is" />
          <Button look="quiet" busy={stopping.isLoading} onClick={() => void stop(id)} className="self-start">
            Stop
          </Button>
          {stopping.error && <FaultNote>{faultWords(stopping.error)}</FaultNote>}
        </>
      )}
      {(state === 'failed' || state === 'stopped') && (
        <>
          <p className="text-reed">{state === 'failed' ? failure : `Stopped at ${Math.round(share * 100)} %.`}</p>
          <Button look="quiet" onClick={onAgain} className="self-start">
            Go on with it
          </Button>
        </>
      )}
      {state === 'ready' && (
        <p className="flex flex-wrap items-center gap-x-4">
          <a className={linkStyle} href={addressOf(streamFilm, { filmId: id })} download>
            <Download size={14} aria-hidden /> Film (MP4{bytes === null ? '' : `, ${megabytes(bytes)}`})
          </a>
          {hasWords && film.words === 'beside' && (
            <>
              <a className={linkStyle} href={addressOf(getFilmWords, { filmId: id, form: 'vtt' })} download>
                Words (WebVTT)
              </a>
              <a className={linkStyle} href={addressOf(getFilmWords, { filmId: id, form: 'srt' })} download>
                Words (SubRip)
              </a>
            </>
          )}
          {keptUntil && <span className="text-reed">Kept until {format(keptUntil, 'd MMMM')}.</span>}
        </p>
      )}
      {state === 'ready' && 'critiqueId' in of && <KeepOnPhone film={film} of={of} />}
    </li>
  );
}
