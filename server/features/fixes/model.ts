import type { RequestFixChoice } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface FixChoiceRow {
  requestId: string;
  choice: RequestFixChoice;
  /** What each school would have said when it was sent, the first ones of each; and what went out. Null until then. */
  computed: Record<string, string[]> | null;
  sent: string[] | null;
  sentAt: Date | null;
}

export const fixTables = (sequelize: Sequelize) => ({
  fixChoices: defineTable<FixChoiceRow>(sequelize, 'fix_choices', {
    requestId: key(),
    choice: DataTypes.JSON,
    computed: DataTypes.JSON,
    sent: DataTypes.JSON,
    sentAt: instantColumn,
  }),
});
