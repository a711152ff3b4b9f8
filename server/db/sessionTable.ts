import { DataTypes, Op, QueryTypes, type Sequelize } from 'sequelize';

/** The sessions table as connect-session-sequelize wants it; it finds it again by its name. */
export function sessionTable(sequelize: Sequelize): string {
  sequelize.define(
    'session',
    {
      sid: { type: DataTypes.STRING(64), primaryKey: true },
      expires: DataTypes.DATE,
      data: DataTypes.TEXT,
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
    },
    { tableName: 'sessions', underscored: true },
  );
  return 'session';
}

/** What the library kept of a session, as JSON, or null where it has ended or expired. Asked with every call, so in one plain query. */
export async function openSession(sequelize: Sequelize, sid: string): Promise<string | null> {
  const rows = await sequelize.query<{ data: string }>('SELECT data FROM sessions WHERE sid = :sid AND expires > :now', {
    replacements: { sid, now: new Date() },
    type: QueryTypes.SELECT,
  });
  return rows[0]?.data ?? null;
}

/** Those of these session ids whose session has neither ended nor expired, by the machine's clock, as the library wrote it down. */
export async function openSessions(sequelize: Sequelize, sids: readonly string[]): Promise<Set<string>> {
  const where = { sid: [...sids], expires: { [Op.gt]: new Date() } };
  const rows = await sequelize.model('session').findAll({ attributes: ['sid'], where });
  return new Set(rows.map((row) => row.get('sid') as string));
}

export interface SessionRow {
  sid: string;
  data: string;
  expires: Date;
  createdAt: Date;
}

/** The sessions of an account that have neither ended nor expired, the latest first. */
export const sessionsOf = (sequelize: Sequelize, accountId: string): Promise<SessionRow[]> =>
  sequelize.query<SessionRow>(
    `SELECT sid, data, expires, created_at AS createdAt FROM sessions WHERE account_id = :accountId AND expires > :now ORDER BY created_at DESC`,
    { replacements: { accountId, now: new Date() }, type: QueryTypes.SELECT },
  );

export async function endSessions(sequelize: Sequelize, sids: readonly string[]): Promise<void> {
  await sequelize.model('session').destroy({ where: { sid: [...sids] } });
}
