import type { Transaction } from 'sequelize';
import type { House } from '../house/house.ts';
import { plain } from './table.ts';

/** Something the practice has set, and how often it was. */
export interface Versioned {
  revision: number;
}

/** A setting by its name; `starting` until it is set. */
export const findSetting = async <T extends Versioned>({ db }: House, name: string, starting: T, transaction?: Transaction): Promise<T> =>
  (plain(await db.practiceSettings.findByPk(name, transaction ? { transaction } : {}))?.value as T | undefined) ?? starting;

/**
 * Changes a setting; answers false, and changes nothing, where it is not as the caller knew it. Whoever knows nothing of it changes it
 * anyway.
 */
export const changeSetting = <T extends Versioned>(
  { db }: House,
  name: string,
  starting: T,
  changed: (present: T) => Omit<T, 'revision'>,
  knownRevision?: number,
): Promise<boolean> =>
  db.sequelize.transaction(async (transaction) => {
    const found = plain(await db.practiceSettings.findByPk(name, { transaction, lock: transaction.LOCK.UPDATE }));
    const present = (found?.value as T | undefined) ?? starting;
    if (knownRevision !== undefined && present.revision !== knownRevision) return false;
    await db.practiceSettings.upsert({ name, value: { ...changed(present), revision: present.revision + 1 } }, { transaction });
    return true;
  });
