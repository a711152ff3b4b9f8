import type * as contract from '@lean-mentor/contract';
import { captionsSrt, captionsVtt, type Account, type Film, type FilmForm, type ParamsOf } from '@lean-mentor/contract';
import { cutClock, withoutCuts, type Take } from '@lean-mentor/core/takes';
import { addDays } from 'date-fns';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { dropJob, enqueueJob } from '../../jobs/index.ts';
import { filmFolder, filmKey } from '../../storage/index.ts';
import { coachesHere } from '../access/index.ts';
import { sentTakeOf } from '../critique/index.ts';
import { findDeskTake } from '../desk/index.ts';
import { findFootage, frameTableOf } from '../footage/index.ts';
import { findTake, readTakeLog } from '../takes/index.ts';
import type { FilmRow, Spoken } from './model.ts';
import { changeFilm, countUnfinished, deleteFilm, findFilm, findFilms, findFilmsBefore, insertFilm } from './repository.ts';

/** A film is kept for so many days after it was asked for, one that was given up for fewer: it can be made again at any time. */
const [keptDays, givenUpDays] = [30, 2];
/** One person has at most so many films in the making. */
const mostUnfinished = 5;

/** What a film is of, and where it lies. */
type Subject = Pick<FilmRow, 'requestId' | 'footageId' | 'takeId' | 'critiqueId' | 'version' | 'place'>;

const filmOf = ({ id, size, words, state, share, secondsLeft, bytes, failure, askedAt, spoken }: FilmRow): Film => {
  const { title, seconds, captions } = JSON.parse(spoken) as Spoken;
  const keptUntil = state === 'ready' ? addDays(askedAt, keptDays).toISOString() : null;
  return {
    id,
    size,
    words,
    state,
    share,
    secondsLeft,
    bytes: bytes === null ? null : Number(bytes),
    failure,
    title,
    seconds,
    keptUntil,
    hasWords: captions.length > 0,
  };
};

/** Has a film made. One of the same that is there, or on its way, is that; one that was stopped or failed goes on. */
async function askFilm(house: House, account: Account, subject: Subject, spoken: Spoken, form: FilmForm, since: Date): Promise<Film> {
  const footage = await findFootage(house, subject.footageId);
  if (!footage || footage.state === 'removed') throw new ContractError('footage-removed');
  if (footage.state !== 'ready') throw new ContractError('footage-not-ready');
  const words = JSON.stringify(spoken);
  const films = await findFilms(house, subject, since);
  const same = films.find((one) => one.size === form.size && one.words === form.words && one.spoken === words);
  if (same && (same.state === 'waiting' || same.state === 'making' || same.state === 'ready')) return filmOf(same);
  if ((await countUnfinished(house, account.id)) >= mostUnfinished)
    throw new ContractError('busy', {
      message: `${mostUnfinished} films are being made for you. Ask for this one when one of them is ready.`,
    });
  const waiting = { state: 'waiting', failure: null, secondsLeft: null } as const;
  const row: FilmRow = same
    ? { ...same, ...waiting }
    : {
        ...{ ...subject, ...form, ...waiting, id: house.newId(), spoken: words, compared: [], share: 0, bytes: null },
        ...{ askedBy: account.id, askedAt: house.now(), madeAt: null },
      };
  await house.db.sequelize.transaction(async (transaction) => {
    if (same) await changeFilm(house, row.id, waiting, transaction);
    else await insertFilm(house, row, transaction);
    await enqueueJob(house, 'make-film', row.id, { transaction, owner: account.id });
  });
  return filmOf(row);
}

const fromDesk = (requestId: string, takeId: string, footageId: string): Subject => ({
  ...{ requestId, takeId, footageId },
  ...{ critiqueId: null, version: null, place: null },
});

/** From the desk everything that was ever asked for counts. */
const ever = new Date(0);

export async function askTakeFilm(
  house: House,
  account: Account,
  { requestId, takeId }: ParamsOf<typeof contract.askTakeFilm>,
  form: FilmForm,
): Promise<Film> {
  const mended = await findDeskTake(house, requestId, takeId);
  const recording = await findTake(house, takeId);
  if (!mended || recording?.requestId !== requestId) throw new ContractError('not-found');
  if (recording.state !== 'ready')
    throw new ContractError('not-now', { message: 'This take is still being put together. Ask again in a moment.' });
  const { title, cuts, captions, chapters, footageId, denoise } = mended;
  const whole: Take = { ...(await readTakeLog(house, requestId, takeId)), cuts, captions, chapters };
  if (cutClock(whole).seconds <= 0)
    throw new ContractError('not-valid', { message: 'Nothing is left of this take: all of it is cut out.' });
  const heard = withoutCuts(whole, await frameTableOf(house, footageId));
  const spoken: Spoken = {
    title,
    seconds: heard.seconds,
    cuts: [...cutClock(whole).cuts],
    denoise,
    captions: [...heard.captions],
    chapters: [...heard.chapters],
  };
  return askFilm(house, account, fromDesk(requestId, takeId, footageId), spoken, form, ever);
}

export async function listTakeFilms(house: House, { requestId, takeId }: ParamsOf<typeof contract.listTakeFilms>): Promise<Film[]> {
  const films = await findFilms(house, fromDesk(requestId, takeId, ''), ever);
  return withFootage(
    house,
    films.filter((one) => one.requestId === requestId),
  );
}

/** Of films those whose footage is still there: consent that is withdrawn takes the picture with it. */
async function withFootage(house: House, films: FilmRow[]): Promise<Film[]> {
  const footage = films[0] && (await findFootage(house, films[0].footageId));
  return footage?.state === 'ready' ? films.map(filmOf) : [];
}

type SentPlace = ParamsOf<typeof contract.askSentFilm>;

/** Something spoken in a sent version that the account may see, and since when it stands. */
async function sentSubject(house: House, account: Account, at: SentPlace): Promise<{ subject: Subject; spoken: Spoken; since: Date }> {
  const { take, requestId, row } = await sentTakeOf(house, account, at.critiqueId, at.version, at.place);
  const { title, seconds, cuts, denoise, captions, chapters, footageId, takeId } = take;
  return {
    subject: { requestId, footageId, takeId, ...at },
    spoken: { title, seconds, cuts, denoise, captions, chapters },
    since: row.sentAt,
  };
}

export async function askSentFilm(house: House, account: Account, at: SentPlace, form: FilmForm): Promise<Film> {
  const { subject, spoken, since } = await sentSubject(house, account, at);
  return askFilm(house, account, subject, spoken, form, since);
}

export async function listSentFilms(house: House, account: Account, at: SentPlace): Promise<Film[]> {
  const { subject, since } = await sentSubject(house, account, at);
  return withFootage(house, await findFilms(house, subject, since));
}

/** A film the account may see: of a version that stands, through its critique; of the desk, on the coaching side. */
async function visibleFilm(house: House, account: Account, filmId: string): Promise<FilmRow> {
  const film = await findFilm(house, filmId);
  if (!film) throw new ContractError('not-found');
  const { critiqueId, version, place } = film;
  if (critiqueId !== null && version !== null && place !== null) {
    const { since } = await sentSubject(house, account, { critiqueId, version, place });
    // A version that was taken back may have given its number to another.
    if (film.askedAt < since) throw new ContractError('not-found');
  } else if (!coachesHere(account)) throw new ContractError('not-found');
  return film;
}

export async function stopFilm(house: House, account: Account, filmId: string): Promise<void> {
  const film = await visibleFilm(house, account, filmId);
  if (film.state !== 'waiting' && film.state !== 'making') return;
  if (film.askedBy !== account.id && !coachesHere(account))
    throw new ContractError('not-allowed', { message: 'Somebody else asked for this film. They, or your coach, can stop it.' });
  await house.db.sequelize.transaction(async (transaction) => {
    await dropJob(house, 'make-film', filmId, transaction);
    await changeFilm(house, filmId, { state: 'stopped', secondsLeft: null }, transaction);
  });
}

/** Where a film lies, and what its file is called. */
export async function takeFilm(house: House, account: Account, filmId: string): Promise<{ key: string; name: string }> {
  const film = await visibleFilm(house, account, filmId);
  const key = filmKey(film.footageId, filmId);
  if (film.state !== 'ready' || (await house.storage.size(key)) === null) throw new ContractError('not-found');
  return { key, name: `${fileTitle(film)}.mp4` };
}

const fileTitle = ({ spoken }: FilmRow): string =>
  (JSON.parse(spoken) as Spoken).title
    .replace(/[^\p{L}\p{N}.,-]+/gu, ' ')
    .trim()
    .slice(0, 80) || 'spoken';

/** What is said in a film, as a file to lie beside it under the same name. */
export async function filmWords(
  house: House,
  account: Account,
  filmId: string,
  as: 'vtt' | 'srt',
): Promise<{ name: string; text: string }> {
  const film = await visibleFilm(house, account, filmId);
  const { captions, seconds } = JSON.parse(film.spoken) as Spoken;
  const heard = { captions, seconds, cuts: [] };
  return { name: `${fileTitle(film)}.${as}`, text: as === 'vtt' ? captionsVtt(heard) : captionsSrt(heard) };
}

/** Removes films that were kept long enough, rows and files. */
export async function removeOldFilms(house: House): Promise<void> {
  const now = house.now();
  const old = [
    ...(await findFilmsBefore(house, ['ready'], addDays(now, -keptDays))),
    ...(await findFilmsBefore(house, ['failed', 'stopped'], addDays(now, -givenUpDays))),
  ];
  for (const { id, footageId } of old) {
    await house.storage.remove(filmFolder(footageId, id));
    await deleteFilm(house, id);
  }
}
