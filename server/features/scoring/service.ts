import { sheetOf, type Account, type BodyOf, type OwnRuleSheet, type PositionWorth } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { ruleSheetFaults } from '@lean-mentor/core/scoring';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { changeBout, findBout } from '../footage/index.ts';
import {
  addRuleSheetVersion,
  findClientBouts,
  findPositionWorth,
  findRuleSheet,
  findRuleSheets,
  putPositionWorth,
  retireFamily,
} from './repository.ts';

export const listRuleSheets = async (house: House): Promise<{ sheets: OwnRuleSheet[] }> => ({ sheets: await findRuleSheets(house) });

/** Keeps a sheet as the next version of its family. The same id again is the same version again. */
export async function saveRuleSheet(house: House, wanted: BodyOf<typeof contract.saveRuleSheet>): Promise<OwnRuleSheet> {
  const faults = ruleSheetFaults(sheetOf(wanted.sheet));
  if (faults.length > 0) throw new ContractError('not-valid', { message: faults.join(' ') });
  await house.db.sequelize.transaction(async (transaction) => {
    if (!(await findRuleSheet(house, wanted.id, transaction))) await addRuleSheetVersion(house, wanted, transaction);
  });
  return (await findRuleSheet(house, wanted.id))!;
}

export async function retireRuleSheet(house: House, familyId: string): Promise<void> {
  if ((await retireFamily(house, familyId)) === 0) throw new ContractError('not-found');
}

export async function chooseBoutSheet(
  house: House,
  account: Account,
  boutId: string,
  chosen: BodyOf<typeof contract.chooseBoutSheet>,
): Promise<void> {
  const bout = await findBout(house, boutId);
  if (!bout) throw new ContractError('not-found');
  if (chosen.sheetId && !(await findRuleSheet(house, chosen.sheetId))) throw new ContractError('not-found');
  await changeBout(house, boutId, { ...chosen, version: bout.version + 1, changedBy: account.id });
}

export const getClientBouts = async (house: House, clientId: string) => ({ bouts: await findClientBouts(house, clientId) });

export const getPositionWorth = (house: House): Promise<PositionWorth> => findPositionWorth(house);

export async function savePositionWorth(house: House, worth: PositionWorth): Promise<PositionWorth> {
  await putPositionWorth(house, worth);
  return worth;
}
