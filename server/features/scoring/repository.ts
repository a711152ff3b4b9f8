import type * as contract from '@lean-mentor/contract';
import type { OwnRuleSheet, PositionWorth, RequestKind, ResponseOf } from '@lean-mentor/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import { jsonOf, plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { RuleSheetRow } from './model.ts';

const sheetOf = (row: RuleSheetRow): OwnRuleSheet => ({ ...row, madeAt: row.madeAt.toISOString() });

export const findRuleSheets = async ({ db }: House): Promise<OwnRuleSheet[]> =>
  plainAll(
    await db.ruleSheets.findAll({
      order: [
        ['version', 'DESC'],
        ['madeAt', 'DESC'],
      ],
    }),
  ).map(sheetOf);

export async function findRuleSheet({ db }: House, id: string, transaction?: Transaction): Promise<OwnRuleSheet | null> {
  const row = plain(await db.ruleSheets.findByPk(id, { ...(transaction && { transaction }) }));
  return row && sheetOf(row);
}

/** Adds a version to a family, one above the newest. Within the transaction no other version of it can be added. */
export async function addRuleSheetVersion(
  house: House,
  { id, familyId, sheet }: Pick<OwnRuleSheet, 'id' | 'familyId' | 'sheet'>,
  transaction: Transaction,
): Promise<void> {
  const { db, now } = house;
  const newest = plainAll(
    await db.ruleSheets.findAll({
      where: { familyId },
      order: [['version', 'DESC']],
      limit: 1,
      transaction,
      lock: transaction.LOCK.UPDATE,
    }),
  )[0];
  await db.ruleSheets.create({ id, familyId, version: (newest?.version ?? 0) + 1, sheet, madeAt: now(), retired: false }, { transaction });
}

export async function retireFamily({ db }: House, familyId: string): Promise<number> {
  const [count] = await db.ruleSheets.update({ retired: true }, { where: { familyId } });
  return count;
}

const worthName = 'position-worth';

export async function findPositionWorth({ db }: House): Promise<PositionWorth> {
  const row = plain(await db.practiceSettings.findByPk(worthName));
  return (row?.value as PositionWorth | undefined) ?? { preset: 'balanced', own: {} };
}

export async function putPositionWorth({ db }: House, value: PositionWorth): Promise<void> {
  await db.practiceSettings.upsert({ name: worthName, value });
}

type ClientBout = ResponseOf<typeof contract.getClientBouts>['bouts'][number];

/** Coded bouts of a client in seconds, oldest request first. */
export async function findClientBouts({ db }: House, clientId: string): Promise<ClientBout[]> {
  const rows = await db.sequelize.query<
    Omit<ClientBout, 'sentAt' | 'timed' | 'said' | 'spanFrames'> & {
      spanFrames: string | number[];
      sentAt: Date;
      timed: string | ClientBout['timed'];
      askedSheet: ClientBout['ruleSheet'];
      lengthMinutes: string | null;
      kind: RequestKind;
    }
  >(
    `SELECT STRAIGHT_JOIN b.id, r.id AS requestId, f.id AS footageId, b.from_frame AS fromFrame, b.to_frame AS toFrame,
       COALESCE(JSON_EXTRACT(b.spans, '$[*].fromFrame'), '[]') AS spanFrames, r.sent_at AS sentAt, b.rule_sheet AS ruleSheet,
       COALESCE(NULLIF(b.partner_words, ''), JSON_VALUE(r.intake, '$.whoPartner'), '') AS partner,
       JSON_VALUE(r.intake, '$.ruleSheet') AS askedSheet, b.sheet_id AS sheetId, b.length_seconds AS lengthSeconds,
       b.after_finish AS afterFinish, JSON_VALUE(r.intake, '$.lengthMinutes') AS lengthMinutes, JSON_VALUE(r.intake, '$.kind') AS kind, b.timed
     FROM requests r JOIN footages f ON f.request_id = r.id JOIN bouts b ON b.footage_id = f.id
     WHERE r.client_id = :clientId AND b.timed IS NOT NULL AND f.state = 'ready' ORDER BY r.sent_at, b.place, b.from_frame`,
    { replacements: { clientId }, type: QueryTypes.SELECT },
  );
  return rows.map(({ sentAt, timed, askedSheet, ruleSheet, lengthMinutes, kind, spanFrames, ...row }) => ({
    ...row,
    spanFrames: jsonOf<number[]>(spanFrames),
    ruleSheet: ruleSheet ?? askedSheet,
    sentAt: sentAt.toISOString(),
    // A JSON null is the word null here.
    said: { lengthMinutes: lengthMinutes === null || lengthMinutes === 'null' ? null : Number(lengthMinutes), kind },
    timed: jsonOf(timed),
  }));
}
