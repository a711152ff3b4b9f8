import type { Operation, rooms } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import type { Call } from '../../http/route.ts';
import type { Handlers } from '../../http/serveRoom.ts';
import { takeUploads } from './uploads.ts';

/** All of tus is answered by one server, which keeps who is sending at present. */
export function uploadHandlers(house: House): Handlers<typeof rooms.uploads> {
  const take = takeUploads(house);
  const handOver = (_house: House, { req, res }: Pick<Call<Operation>, 'req' | 'res'>): Promise<void> => take(req, res);
  return { beginUpload: handOver, continueUpload: handOver, askUploadOffset: handOver, askUploadAbilities: handOver };
}
