import type { Limit } from '@lean-mentor/core/care';
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
  /** What was agreed of what hurts; words nobody has looked at yet have none. */
  limits: Limit[];
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
    limits: DataTypes.JSON,
    agreements: DataTypes.JSON,
  }),
});
