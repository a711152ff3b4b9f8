import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, key } from '../../db/table.ts';

export interface ClientRow {
  id: string;
  name: string;
  level: number;
  /** Calendar day, YYYY-MM-DD. */
  bornOn: string | null;
  about: string;
  hurts: string[];
  agreements: string[];
}

export const clientTables = (sequelize: Sequelize) => ({
  clients: defineTable<ClientRow>(sequelize, 'clients', {
    id: key(),
    name: DataTypes.STRING,
    level: DataTypes.INTEGER,
    bornOn: DataTypes.DATEONLY,
    about: DataTypes.TEXT,
    hurts: DataTypes.JSON,
    agreements: DataTypes.JSON,
  }),
});
