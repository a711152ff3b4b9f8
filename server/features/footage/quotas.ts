import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { sumBytes } from './repository.ts';

/** The footage of one request takes at most so many bytes: a long day of matches from two cameras. */
export const mostRequestBytes = 60 * 1024 ** 3;

const gigabytes = (bytes: number): string => `${(bytes / 1024 ** 3).toFixed(bytes < 1024 ** 4 ? 1 : 0)} GB`;

/** Throws where a file of this size goes beyond what a request or a client may keep here, or beyond the room on the disk. */
export async function requireRoomFor(
  house: House,
  { requestId, clientId, byteSize }: { requestId: string; clientId: string; byteSize: number },
  transaction: Transaction,
): Promise<void> {
  const { ofRequest, ofClient, arriving } = await sumBytes(house, requestId, clientId, transaction);
  if (ofRequest + byteSize > mostRequestBytes)
    throw new ContractError('too-much-kept', {
      message: `The videos of one request may take ${gigabytes(mostRequestBytes)}; with this one they would take ${gigabytes(ofRequest + byteSize)}. Send the rest as another request.`,
    });
  const mostClientBytes = house.config.clientBytes;
  if (ofClient + byteSize > mostClientBytes)
    throw new ContractError('too-much-kept', {
      message: `Your videos here take ${gigabytes(ofClient)} of ${gigabytes(mostClientBytes)}, so this one of ${gigabytes(byteSize)} has no room. Discard a draft or withdraw a request first.`,
    });
  // What others have announced and not yet sent has its room already. A bucket grows by itself.
  if (!house.config.s3) house.room.require(arriving + byteSize);
}
