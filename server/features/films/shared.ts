import type * as contract from '@lean-mentor/contract';
import type { Account, Film, FilmForm, ParamsOf } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { filmKey } from '../../storage/index.ts';
import { readByLink } from '../critique/index.ts';
import { askSentFilm, listSentFilms } from './service.ts';

/** Whoever cannot play a take itself gets a film of it: by a link, and in a folder without a network. */
const sharedForm: FilmForm = { size: 'small', words: 'burnt' };
const isShared = ({ size, words }: Film): boolean => size === sharedForm.size && words === sharedForm.words;

type SharedPlace = ParamsOf<typeof contract.getSharedFilm>;
type SentPlace = ParamsOf<typeof contract.askSentFilm>;

async function placeOf(house: House, { token, place }: SharedPlace): Promise<{ reader: Account; at: SentPlace; footageId: string }> {
  const { reader, critique } = await readByLink(house, token);
  const take = critique.takes[place];
  if (!take) throw new ContractError('not-found');
  return { reader, at: { critiqueId: critique.id, version: critique.version, place }, footageId: take.footageId };
}

const filmAt = async (house: House, reader: Account, at: SentPlace): Promise<Film | null> =>
  (await listSentFilms(house, reader, at)).find(isShared) ?? null;

export async function getSharedFilm(house: House, shared: SharedPlace): Promise<{ film: Film | null }> {
  const { reader, at } = await placeOf(house, shared);
  return { film: await filmAt(house, reader, at) };
}

export async function askSharedFilm(house: House, shared: SharedPlace): Promise<Film> {
  const { reader, at } = await placeOf(house, shared);
  return askSentFilm(house, reader, at, sharedForm);
}

/** Where that film lies. */
export async function sharedFilm(house: House, shared: SharedPlace): Promise<string> {
  const { reader, at, footageId } = await placeOf(house, shared);
  const film = await filmAt(house, reader, at);
  const key = film && filmKey(footageId, film.id);
  if (film?.state !== 'ready' || key === null || (await house.storage.size(key)) === null) throw new ContractError('not-found');
  return key;
}

/** How often it is asked whether a film is ready, in ms. */
const lookAgainMs = 1000;

/**
 * Where the film lies of something spoken in a critique, made where it is not there yet, for a folder that plays without a network. Null
 * where it cannot be had: its footage is gone, too many are waiting, or its making failed.
 */
export async function filmToTakeAlong(
  house: House,
  account: Account,
  at: SentPlace & { footageId: string },
  signal: AbortSignal,
): Promise<string | null> {
  const asked = await askSentFilm(house, account, at, sharedForm).catch((error: unknown) => {
    if (error instanceof ContractError) return null;
    throw error;
  });
  for (let film = asked; film; film = (await listSentFilms(house, account, at)).find(({ id }) => id === film?.id) ?? null) {
    if (film.state === 'ready') return filmKey(at.footageId, film.id);
    if (film.state === 'failed' || film.state === 'stopped') return null;
    signal.throwIfAborted();
    await new Promise((resolve) => setTimeout(resolve, lookAgainMs));
  }
  return null;
}
