import type { HandOverPart, HandOverState } from '@lean-mentor/core/queue';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

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

/** A request, or a part of it, in another hand. */
export interface HandOverRow {
  id: string;
  requestId: string;
  part: HandOverPart;
  boutId: string | null;
  fromId: string;
  toId: string;
  dueOn: string;
  state: HandOverState;
  said: { by: string; at: string; words: string }[];
  madeAt: Date;
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
  handOvers: defineTable<HandOverRow>(sequelize, 'hand_overs', {
    id: key(),
    requestId: DataTypes.UUID,
    part: DataTypes.STRING,
    boutId: DataTypes.UUID,
    fromId: DataTypes.UUID,
    toId: DataTypes.UUID,
    dueOn: DataTypes.DATEONLY,
    state: DataTypes.STRING,
    said: DataTypes.JSON,
    madeAt: instantColumn,
  }),
});
