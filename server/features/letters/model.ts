import type { LetterKind } from '@lean-mentor/core/letters';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface LetterRow {
  id: string;
  toName: string;
  toAddress: string;
  subject: string;
  body: string;
  writtenAt: Date;
  /** A one-time link; null where there is none, or it opens nothing any more. */
  link: string | null;
  /** When it left, and why it could not; both null while it waits, or where none does. */
  sentAt?: Date | null;
  failure?: string | null;
  /** Whose it is, where it is one of those that can be worded and stopped; null of those that open a way in. */
  accountId?: string | null;
  kind?: LetterKind | null;
  /** Kept in the app alone: they want none by mail. */
  inApp?: boolean;
  readAt?: Date | null;
}

export const letterTables = (sequelize: Sequelize) => ({
  letters: defineTable<LetterRow>(sequelize, 'letters', {
    id: key(),
    toName: DataTypes.STRING,
    toAddress: DataTypes.STRING,
    subject: DataTypes.STRING,
    body: DataTypes.TEXT,
    writtenAt: instantColumn,
    link: DataTypes.STRING,
    sentAt: instantColumn,
    failure: DataTypes.TEXT,
    accountId: DataTypes.UUID,
    kind: DataTypes.STRING,
    inApp: DataTypes.BOOLEAN,
    readAt: instantColumn,
  }),
});
