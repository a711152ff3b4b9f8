import type { ReadLink } from '@lean-mentor/contract';
import { plain, plainAll } from '../../../db/table.ts';
import type { House } from '../../../house/house.ts';
import type { LinkRow } from '../model.ts';

export const linkOf = ({ id, forName, madeAt, expiresAt, opened }: LinkRow): ReadLink => ({
  id,
  forName,
  opened,
  madeAt: madeAt.toISOString(),
  expiresAt: expiresAt.toISOString(),
});

export const findLinks = async ({ db }: House, critiqueId: string): Promise<LinkRow[]> =>
  plainAll(await db.critiqueLinks.findAll({ where: { critiqueId }, order: [['madeAt', 'DESC']] }));

export const findLinkByHash = async ({ db }: House, tokenHash: string): Promise<LinkRow | null> =>
  plain(await db.critiqueLinks.findOne({ where: { tokenHash } }));

export async function insertLink({ db }: House, row: LinkRow): Promise<void> {
  await db.critiqueLinks.create(row);
}

export async function deleteLink({ db }: House, id: string, critiqueId: string): Promise<number> {
  return db.critiqueLinks.destroy({ where: { id, critiqueId } });
}

export async function countOpening({ db }: House, id: string): Promise<void> {
  await db.critiqueLinks.increment('opened', { where: { id } });
}
