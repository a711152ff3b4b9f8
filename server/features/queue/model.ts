import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable } from '../../db/table.ts';

/** Seconds of one minute in which somebody worked on a request at the desk. */
export interface DeskTimeRow {
  accountId: string;
  minuteAt: Date;
  requestId: string;
  seconds: number;
}

export const queueTables = (sequelize: Sequelize) => ({
  deskTime: defineTable<DeskTimeRow>(sequelize, 'desk_time', {
    accountId: { type: DataTypes.UUID, primaryKey: true },
    minuteAt: { type: DataTypes.DATE, primaryKey: true },
    requestId: { type: DataTypes.UUID, primaryKey: true },
    seconds: DataTypes.INTEGER,
  }),
});
