import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { openApiDocument } from './openApiDocument.ts';

export const getHealth = () => async (_: Call<typeof contract.getHealth>) => ({ alive: true as const });

export const getReadiness =
  (house: House) =>
  async ({ res }: Call<typeof contract.getReadiness>) => {
    const ready = await house.db.sequelize.authenticate().then(
      () => true,
      () => false,
    );
    if (!ready) res.status(503);
    return { ready };
  };

export const getDocs = () => {
  const document = openApiDocument();
  return async (_: Call<typeof contract.getDocs>) => document;
};
