import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn } from '../../db/table.ts';

/** Seconds of one minute in which somebody worked on a request at the desk. */
export interface DeskTimeRow {
  accountId: string;
  minuteAt: Date;
  requestId: string;
  seconds: number;
}

/** The address of an account for calendar programs; of the token only its digest is kept. */
export interface CalendarLinkRow {
  accountId: string;
  digest: string;
  madeAt: Date;
  readAt: Date | null;
}

export const queueTables = (sequelize: Sequelize) => ({
  deskTime: defineTable<DeskTimeRow>(sequelize, 'desk_time', {
    accountId: { type: DataTypes.UUID, primaryKey: true },
    minuteAt: { type: DataTypes.DATE, primaryKey: true },
    requestId: { type: DataTypes.UUID, primaryKey: true },
    seconds: DataTypes.INTEGER,
  }),
  calendarLinks: defineTable<CalendarLinkRow>(sequelize, 'calendar_links', {
    accountId: { type: DataTypes.UUID, primaryKey: true },
    digest: DataTypes.CHAR(64),
    madeAt: instantColumn,
    readAt: instantColumn,
  }),
});
