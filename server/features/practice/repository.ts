import { Op, QueryTypes, type Transaction } from 'sequelize';
import { amountOfColumn, plain, plainAll } from '../../db/table.ts';
import { changeSetting, findSetting } from '../../db/versionedSetting.ts';
import type { House } from '../../house/house.ts';
import type { ExtraRow, MembershipRow, PauseRow, PlanRow, PracticeRow } from './model.ts';

const inside = (transaction?: Transaction) => (transaction ? { transaction } : {});
const locked = (transaction: Transaction) => ({ transaction, lock: transaction.LOCK.UPDATE });

/** Hours nobody has set yet: weekdays, two windows, in the zone of this machine. */
const startingPractice = (): PracticeRow => ({
  hours: {
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    weekly: [1, 2, 3, 4, 5].flatMap((day) => [
      { day, from: '09:00', to: '12:00' },
      { day, from: '13:00', to: '17:00' },
    ]),
    exceptions: [],
    stays: [],
  },
  policy: 'due-first',
  turnaround: { hours: 21, kind: 'working' },
  currency: 'EUR',
  revision: 0,
});

const settingName = 'working-day';

/** What the practice goes by; what it begins with until it is set. */
export const findPractice = (house: House, transaction?: Transaction): Promise<PracticeRow> =>
  findSetting(house, settingName, startingPractice(), transaction);

/** Changes it; answers false, and changes nothing, when it is not as the caller knew it. */
export const changePractice = (house: House, fields: Partial<PracticeRow>, knownRevision?: number): Promise<boolean> =>
  changeSetting(house, settingName, startingPractice(), (present) => ({ ...present, ...fields }), knownRevision);

/** Pauses that are not over at an instant, first first. */
export const findPauses = async ({ db }: House, from: Date, transaction?: Transaction): Promise<PauseRow[]> =>
  plainAll(await db.pauses.findAll({ where: { untilAt: { [Op.gt]: from } }, order: [['fromAt', 'ASC']], ...inside(transaction) }));

export const findPause = async ({ db }: House, id: string): Promise<PauseRow | null> => plain(await db.pauses.findByPk(id));

export async function insertPause({ db }: House, row: PauseRow, transaction: Transaction): Promise<void> {
  await db.pauses.create(row, { transaction });
}

export async function changePause({ db }: House, id: string, untilAt: Date): Promise<void> {
  await db.pauses.update({ untilAt }, { where: { id } });
}

/** Takes a pause away that never began. */
export async function deletePause({ db }: House, id: string): Promise<void> {
  await db.pauses.destroy({ where: { id } });
}

export const findPlans = async ({ db }: House, transaction?: Transaction): Promise<PlanRow[]> =>
  plainAll(
    await db.plans.findAll({
      order: [
        ['planRank', 'ASC'],
        ['name', 'ASC'],
      ],
      ...inside(transaction),
    }),
  ).map((row) => ({ ...row, price: amountOfColumn(row.price), extraPrice: amountOfColumn(row.extraPrice) }));

export async function insertPlan({ db }: House, row: PlanRow, transaction?: Transaction): Promise<void> {
  await db.plans.create(row, inside(transaction));
}

export async function changePlanRow({ db }: House, id: string, fields: Partial<PlanRow>): Promise<void> {
  await db.plans.update(fields, { where: { id } });
}

/** Memberships, the first to begin first; of all clients, or of some. */
export const findMemberships = async ({ db }: House, clientIds?: readonly string[], transaction?: Transaction): Promise<MembershipRow[]> =>
  plainAll(
    await db.memberships.findAll({
      ...(clientIds && { where: { clientId: [...clientIds] } }),
      order: [
        ['fromOn', 'ASC'],
        ['madeAt', 'ASC'],
      ],
      ...inside(transaction),
    }),
  );

/** A client's memberships, locked: what is taken from them is taken one after another. */
export const lockMemberships = async ({ db }: House, clientId: string, transaction: Transaction): Promise<MembershipRow[]> => {
  await db.clients.findByPk(clientId, locked(transaction));
  return plainAll(await db.memberships.findAll({ where: { clientId }, order: [['fromOn', 'ASC']], ...locked(transaction) }));
};

export const findMembership = async ({ db }: House, id: string, transaction?: Transaction): Promise<MembershipRow | null> =>
  plain(await db.memberships.findByPk(id, inside(transaction)));

export async function insertMembership({ db }: House, row: MembershipRow, transaction?: Transaction): Promise<void> {
  await db.memberships.create(row, inside(transaction));
}

export async function changeMembership({ db }: House, id: string, fields: Partial<MembershipRow>, transaction: Transaction): Promise<void> {
  await db.memberships.update(fields, { where: { id }, transaction });
}

export async function deleteMembership({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.memberships.destroy({ where: { id }, transaction });
}

export async function insertExtra({ db }: House, row: ExtraRow, transaction: Transaction): Promise<void> {
  await db.extraRequests.create(row, { transaction });
}

/** What was taken from a membership in a period: requests that were sent and not withdrawn. */
export interface PeriodUse {
  membershipId: string;
  periodOn: string;
  used: number;
  extras: number;
}

/** What was taken and added, of some memberships, in every period. */
export async function findUse({ db }: House, membershipIds: readonly string[], transaction?: Transaction): Promise<PeriodUse[]> {
  if (membershipIds.length === 0) return [];
  const rows = await db.sequelize.query<{ membershipId: string; periodOn: string; used: string; extras: string }>(
    `SELECT membershipId, periodOn, CAST(SUM(used) AS CHAR) AS used, CAST(SUM(extras) AS CHAR) AS extras FROM (
       SELECT membership_id AS membershipId, CAST(period_on AS CHAR) AS periodOn, 1 AS used, 0 AS extras FROM requests
       WHERE membership_id IN (:ids) AND state NOT IN ('draft', 'withdrawn')
       UNION ALL
       SELECT membership_id, CAST(period_on AS CHAR), 0, 1 FROM extra_requests WHERE membership_id IN (:ids)) AS both_kinds
     GROUP BY membershipId, periodOn`,
    { replacements: { ids: [...membershipIds] }, type: QueryTypes.SELECT, ...inside(transaction) },
  );
  return rows.map((row) => ({ ...row, used: Number(row.used), extras: Number(row.extras) }));
}
