import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { exportsFolder, filmFolder, stillsFolder } from '../../storage/index.ts';
import { findFootage, removeFootageBytes, type FootageRow } from '../footage/index.ts';
import type { RequestRow } from './model.ts';
import { changeRequest, findCritiquesShowing, forgetPartnerWords, lockRequest, takeFilmsComparing } from './repository.ts';

/**
 * Has a footage removed with the stills, clips and exports of every critique, and the films of every take, that shows it: of this request
 * or a later one.
 */
export async function removeShown(house: House, request: RequestRow, footage: FootageRow, transaction: Transaction): Promise<void> {
  const showing = await findCritiquesShowing(house, request, [footage.id], transaction);
  // Stills of other footage in them are made again when they are asked for.
  const made = showing.flatMap((critiqueId) => [stillsFolder(critiqueId), exportsFolder(critiqueId)]);
  const films = await takeFilmsComparing(house, footage.id, transaction);
  made.push(...films.map((film) => filmFolder(film.footageId, film.id)));
  await removeFootageBytes(house, footage, made, transaction);
}

/** Removes a footage whose time is over, if `rests` still says so of it once nobody else can change its request. */
export async function removeFootageThatRests(
  house: House,
  requestId: string,
  footageId: string,
  rests: (transaction: Transaction) => Promise<boolean>,
): Promise<void> {
  await house.db.sequelize.transaction(async (transaction) => {
    const request = await lockRequest(house, requestId, transaction);
    const footage = await findFootage(house, footageId, transaction);
    if (request && footage && (await rests(transaction))) await removeShown(house, request, footage, transaction);
  });
}

/**
 * Forgets what tells who the partner was: their description, what hurts them, where they stood and the names of the files. What the
 * coach said stays: it is theirs.
 */
export async function forgetPartner(house: House, request: RequestRow, transaction: Transaction): Promise<void> {
  const intake = {
    ...request.intake,
    whoPartner: 'removed',
    whoMarks: [],
    event: '',
    partnerLevel: 'unknown',
    partnerSize: 'unknown',
    partnerAge: 'unknown',
    partnerHurts: '',
  } as const;
  const limits = { ...request.limits, partner: [] };
  await changeRequest(house, request.id, { intake: { ...intake, whoMarks: [] }, limits }, transaction);
  await forgetPartnerWords(house, request.id, transaction);
}
