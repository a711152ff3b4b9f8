import { Op, UniqueConstraintError } from 'sequelize';
import type { House } from '../../house/house.ts';

/** A lock whose holder has not been heard of for this long is free, in ms. */
const staleLockMs = 10_000;

/** Takes an upload's lock for a holder, or tells the present one that it is wanted. */
export async function takeUploadLock({ db, now }: House, uploadId: string, holder: string): Promise<boolean> {
  const at = now();
  // Or of a time to come: the clock was set back since.
  const [early, late] = [new Date(at.getTime() - staleLockMs), new Date(at.getTime() + staleLockMs)];
  await db.uploadLocks.destroy({ where: { uploadId, beatAt: { [Op.or]: [{ [Op.lt]: early }, { [Op.gt]: late }] } } });
  try {
    await db.uploadLocks.create({ uploadId, holder, wanted: false, beatAt: at });
    return true;
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    await db.uploadLocks.update({ wanted: true }, { where: { uploadId } });
    return false;
  }
}

/** Keeps a held lock up; answers whether somebody else wants it, or has it already. */
export async function beatUploadLock({ db, now }: House, uploadId: string, holder: string): Promise<boolean> {
  const [mine] = await db.uploadLocks.update({ beatAt: now() }, { where: { uploadId, holder } });
  return mine === 0 || (await db.uploadLocks.count({ where: { uploadId, holder, wanted: true } })) > 0;
}

export async function releaseUploadLock({ db }: House, uploadId: string, holder: string): Promise<void> {
  await db.uploadLocks.destroy({ where: { uploadId, holder } });
}
