import { bookChangeOf, type BodyOf, type BookFile, type ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { bookFaults, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { indexNotesOfPrinciple } from '../search/index.ts';
import {
  countNotesByPrinciple,
  deleteDrill,
  deletePrinciple,
  findClips,
  findDrills,
  findPrinciples,
  noteStarterPut,
  putDrills,
  putPrinciples,
  renamePrinciple,
  starterWasPut,
} from './repository.ts';
import { readStarterBook } from './starterBook.ts';

const refused = (faults: readonly string[]): ContractError => new ContractError('not-valid', { message: faults.join(' ') });

export async function getBook(house: House): Promise<ResponseOf<typeof contract.getBook>> {
  const [principles, drills, notes] = await Promise.all([findPrinciples(house), findDrills(house), countNotesByPrinciple(house)]);
  return { principles: principles.map((principle) => ({ ...principle, notes: notes.get(principle.id) ?? 0 })), drills };
}

interface Book {
  principles: BookPrinciple[];
  drills: BookDrill[];
}

/** Changes the book while nobody else does, and only to what is sound. What was amiss before does not stand in the way. */
const changingBook = <T>(house: House, change: (book: Book, transaction: Transaction) => Promise<T>): Promise<T> =>
  house.db.sequelize.transaction(async (transaction) => {
    const principles = await findPrinciples(house, transaction);
    return change({ principles, drills: await findDrills(house, transaction) }, transaction);
  });

const faultsAfter = (before: Book, after: Book): string[] => {
  const known = new Set(bookFaults(before.principles, before.drills));
  return bookFaults(after.principles, after.drills).filter((fault) => !known.has(fault));
};

const put = <T extends { id: string }>(list: readonly T[], one: T): T[] => [...list.filter(({ id }) => id !== one.id), one];

export const saveBookPrinciple = (house: House, id: string, words: BodyOf<typeof contract.saveBookPrinciple>): Promise<BookPrinciple> =>
  changingBook(house, async (book, transaction) => {
    const principle: BookPrinciple = { id, ...words };
    const faults = faultsAfter(book, { ...book, principles: put(book.principles, principle) });
    if (faults.length > 0) throw refused(faults);
    await putPrinciples(house, [principle], transaction);
    // Notes are found by both.
    if (book.principles.some((before) => before.id === id && (before.name !== principle.name || before.chances !== principle.chances)))
      await indexNotesOfPrinciple(house, id, transaction);
    return principle;
  });

export const removeBookPrinciple = (house: House, id: string): Promise<void> =>
  changingBook(house, async ({ principles }, transaction) => {
    const gone = principles.find((principle) => principle.id === id);
    if (!gone) throw new ContractError('not-found');
    const notes = (await countNotesByPrinciple(house, transaction)).get(id) ?? 0;
    if (notes > 0)
      throw refused([`${notes === 1 ? 'One note names' : `${notes} notes name`} “${gone.name}”. Merge it into another principle instead.`]);
    await restInstead(house, principles, id, null, transaction);
    await deletePrinciple(house, id, transaction);
  });

/** Whatever rests on a principle rests on another instead, or on it no longer. */
async function restInstead(
  house: House,
  principles: readonly BookPrinciple[],
  id: string,
  instead: string | null,
  transaction: Transaction,
): Promise<void> {
  const touched = principles
    .filter(({ prerequisites }) => prerequisites.includes(id))
    .map((principle) => {
      const kept = principle.prerequisites.filter((one) => one !== id);
      return { ...principle, prerequisites: instead && instead !== principle.id ? [...new Set([...kept, instead])] : kept };
    });
  if (touched.length > 0) await putPrinciples(house, touched, transaction);
}

export const mergeBookPrinciples = (house: House, id: string, intoId: string): Promise<number> =>
  changingBook(house, async ({ principles, drills }, transaction) => {
    const [gone, into] = [id, intoId].map((one) => principles.find((principle) => principle.id === one));
    if (!gone || !into || gone === into) throw new ContractError('not-found');
    const after = principles
      .filter((principle) => principle.id !== id)
      .map((principle) => ({
        ...principle,
        prerequisites: principle.prerequisites.map((one) => (one === id ? intoId : one)).filter((one) => one !== principle.id),
      }));
    const faults = faultsAfter({ principles, drills }, { principles: after, drills });
    if (faults.length > 0) throw refused(faults);
    await restInstead(
      house,
      principles.filter((principle) => principle.id !== id),
      id,
      intoId,
      transaction,
    );
    const notes = await renamePrinciple(house, id, intoId, transaction);
    await deletePrinciple(house, id, transaction);
    await indexNotesOfPrinciple(house, intoId, transaction);
    return notes;
  });

export const saveBookDrill = (house: House, id: string, words: BodyOf<typeof contract.saveBookDrill>): Promise<BookDrill> =>
  changingBook(house, async (book, transaction) => {
    const drill: BookDrill = { id, ...words };
    const faults = faultsAfter(book, { ...book, drills: put(book.drills, drill) });
    if (faults.length > 0) throw refused(faults);
    await putDrills(house, [drill], transaction);
    return drill;
  });

export const removeBookDrill = (house: House, id: string): Promise<void> =>
  changingBook(house, async ({ principles, drills }, transaction) => {
    if (!drills.some((drill) => drill.id === id)) throw new ContractError('not-found');
    const naming = principles.filter(({ drillIds }) => drillIds.includes(id));
    if (naming.length > 0)
      await putPrinciples(
        house,
        naming.map((one) => ({ ...one, drillIds: one.drillIds.filter((drillId) => drillId !== id) })),
        transaction,
      );
    await deleteDrill(house, id, transaction);
  });

/** Takes a book in, all or nothing. */
export async function importBook(house: House, file: BookFile): Promise<ResponseOf<typeof contract.importBook>> {
  const clips = await findClips(house);
  return changingBook(house, async (book, transaction) => {
    const read = bookChangeOf(file, { ...book, clips }, house.newId);
    if ('faults' in read) throw refused(read.faults);
    const { principles, drills, added, changed, missingClips } = read.change;
    if (drills.length > 0) await putDrills(house, drills, transaction);
    if (principles.length > 0) await putPrinciples(house, principles, transaction);
    return { added, changed, missingClips };
  });
}

/**
 * Adds what the book lacks of the starter book. A principle that has nothing but a name gets what the starter book says of it, and every
 * entry of its name what it asks of the body and which ways spare it, where it says nothing of that yet.
 */
export async function addStarterBook(house: House): Promise<ResponseOf<typeof contract.addStarterBook>> {
  const starter = await readStarterBook();
  const [principles, drills] = await Promise.all([findPrinciples(house), findDrills(house)]);
  const name = (words: string): string => words.trim().toLocaleLowerCase();
  const written = new Set(principles.filter(({ cue, good, why }) => cue || good || why).map((one) => name(one.name)));
  const known = new Set(drills.map((one) => name(one.name)));
  const lacking: BookFile = {
    ...starter,
    principles: starter.principles.filter((one) => !written.has(name(one.name))),
    drills: starter.drills.filter((one) => !known.has(name(one.name))),
  };
  const { added, changed } = await importBook(house, lacking);
  const cared = await sayCare(house, starter);
  return { added: added + changed + cared };
}

const asksNothing = ({ doer, partner }: BookDrill['loads']): boolean => doer.length + partner.length === 0;

/**
 * Entries that were put in before the book said what they ask of the body, and which ways of them spare what, get it said; the rest of them
 * stays the coach’s. Answers how many there were.
 */
const sayCare = (house: House, starter: BookFile): Promise<number> =>
  changingBook(house, async ({ principles, drills }, transaction) => {
    const saidOf = <G extends { name: string }>(given: readonly G[], one: { name: string }): G | undefined =>
      given.find(({ name }) => name.toLocaleLowerCase() === one.name.trim().toLocaleLowerCase());
    const loaded = drills.flatMap((one) => {
      const said = saidOf(starter.drills, one);
      return said && asksNothing(one.loads) && !asksNothing(said.loads) ? [{ ...one, loads: said.loads }] : [];
    });
    const cared = principles.flatMap((one) => {
      const said = saidOf(starter.principles, one);
      if (!said) return [];
      const loads = asksNothing(one.loads) && !asksNothing(said.loads) ? said.loads : one.loads;
      const sparing = one.variants.some(({ spares }) => spares.length > 0) ? [] : said.variants.filter(({ spares }) => spares.length > 0);
      return loads === one.loads && sparing.length === 0 ? [] : [{ ...one, loads, variants: [...one.variants, ...sparing] }];
    });
    if (cared.length > 0) await putPrinciples(house, cared, transaction);
    if (loaded.length > 0) await putDrills(house, loaded, transaction);
    return cared.length + loaded.length;
  });

/** Puts the starter book into a house that has never had it; what the coach takes out of it later stays out. */
export async function putStarterBookOnce(house: House): Promise<void> {
  if (await starterWasPut(house)) return;
  await addStarterBook(house);
  await noteStarterPut(house);
}
