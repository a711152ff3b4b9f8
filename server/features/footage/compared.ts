import type { House } from '../../house/house.ts';
import type { ComparedSource } from '../../media/compared.ts';
import { matrixOf } from '../../media/film.ts';
import { reviewCopyKey, type LocalFile } from '../../storage/index.ts';
import { findOwnFootage } from './repository.ts';
import { frameTableOf } from './service.ts';

/**
 * Hands what is compared to `work`, from review copies. Footage that was removed is left out, and that of others than the client whose
 * request this is, whatever a log that came from elsewhere says.
 */
export async function withCompared<T>(
  house: House,
  requestId: string,
  ids: readonly string[],
  work: (compared: ReadonlyMap<string, ComparedSource>) => Promise<T>,
): Promise<T> {
  const compared = new Map<string, ComparedSource>();
  const locals: LocalFile[] = [];
  try {
    for (const { id, width, height } of await findOwnFootage(house, requestId, ids)) {
      const local = await house.storage.local(reviewCopyKey(id));
      locals.push(local);
      const size = { width: width ?? 1280, height: height ?? 720 };
      compared.set(id, { file: local.path, table: await frameTableOf(house, id), matrix: await matrixOf(local.path, 'mov', 0, size) });
    }
    return await work(compared);
  } finally {
    for (const local of locals) await local.release();
  }
}
