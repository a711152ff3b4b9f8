import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import * as service from './service.ts';

export const listRuleSheets = (house: House) => () => service.listRuleSheets(house);

export const saveRuleSheet =
  (house: House) =>
  ({ body }: Call<typeof contract.saveRuleSheet>) =>
    service.saveRuleSheet(house, body);

export const retireRuleSheet =
  (house: House) =>
  async ({ params }: Call<typeof contract.retireRuleSheet>) => {
    await service.retireRuleSheet(house, params.familyId);
    return { done: true } as const;
  };

export const chooseBoutSheet =
  (house: House) =>
  async ({ account, params, body }: Call<typeof contract.chooseBoutSheet>) => {
    await service.chooseBoutSheet(house, account, params.boutId, body);
    return { done: true } as const;
  };

export const getClientBouts =
  (house: House) =>
  ({ params }: Call<typeof contract.getClientBouts>) =>
    service.getClientBouts(house, params.clientId);

export const getPositionWorth = (house: House) => () => service.getPositionWorth(house);

export const savePositionWorth =
  (house: House) =>
  ({ body }: Call<typeof contract.savePositionWorth>) =>
    service.savePositionWorth(house, body);
