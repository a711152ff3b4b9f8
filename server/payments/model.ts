import type { StandInKey } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable } from '../db/table.ts';

/** A payment at the stand-in, and which keys were pressed when. */
export interface StandInRow {
  reference: string;
  amount: string;
  currency: string;
  words: string;
  told: { key: StandInKey; at: string }[];
}

export const standInTables = (sequelize: Sequelize) => ({
  standInPayments: defineTable<StandInRow>(sequelize, 'stand_in_payments', {
    reference: { type: DataTypes.STRING, primaryKey: true },
    amount: DataTypes.DECIMAL(10, 2),
    currency: DataTypes.STRING,
    words: DataTypes.STRING,
    told: DataTypes.JSON,
  }),
});
