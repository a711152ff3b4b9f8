import { DataTypes, type Sequelize } from 'sequelize';

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
