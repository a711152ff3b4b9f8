import { drawingsAtFrame, measureAtFrame, measureDrawings, type DeskDocument } from '@lean-mentor/core/desk';
import { reviewSize } from '@lean-mentor/core/footage';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { stillPng, stillSvg } from '../../media/still.ts';
import { findFootage, frameTableSoFar } from '../footage/index.ts';
import { findDeskDocument } from './deskItems.ts';

interface Wanted {
  requestId: string;
  footageId: string;
  frame: number;
}

/** What stands on a frame: its drawings, and over them the measurements that are shown. */
export function drawnOnFrame(
  document: DeskDocument,
  { footageId, frame }: Wanted,
  on: Omit<Parameters<typeof measureDrawings>[1], 'measures' | 'atFrame' | 'toFrame'>,
) {
  const { measures } = document;
  const shown = Object.values(measures).filter((m) => m.footageId === footageId && m.drawn && measureAtFrame(m, frame));
  const measured = shown.flatMap((m) => measureDrawings(m, { ...on, measures, atFrame: m.atFrame, toFrame: m.toFrame }, frame));
  const drawings = Object.values(document.drawings).filter((drawing) => drawing.footageId === footageId);
  return [...measured.map((drawing) => ({ ...drawing, keys: [] })), ...drawingsAtFrame(drawings, frame)];
}

async function still<T>(house: House, wanted: Wanted, make: typeof stillPng | typeof stillSvg): Promise<T> {
  const footage = await findFootage(house, wanted.footageId);
  if (!footage || footage.requestId !== wanted.requestId) throw new ContractError('not-found');
  if (footage.state === 'removed') throw new ContractError('footage-removed');
  if (!footage.originalKey) throw new ContractError('footage-not-ready');
  const [table, document] = await Promise.all([frameTableSoFar(house, footage), findDeskDocument(house, wanted.requestId)]);
  if (wanted.frame >= table.times.length) throw new ContractError('not-found');
  // Measurements are taken on the review copy: their numbers and their ± are those of its pixels.
  const drawn = drawnOnFrame(document, wanted, { ...reviewSize({ width: footage.width ?? 1280, height: footage.height ?? 720 }), table });
  const original = await house.storage.local(footage.originalKey);
  try {
    return (await make(original.path, table, wanted.frame, drawn)) as T;
  } finally {
    await original.release();
  }
}

/** A frame of the original with what stands on it. */
export const getDeskStillPng = (house: House, wanted: Wanted): Promise<Buffer> => still(house, wanted, stillPng);
export const getDeskStillSvg = (house: House, wanted: Wanted): Promise<string> => still(house, wanted, stillSvg);
