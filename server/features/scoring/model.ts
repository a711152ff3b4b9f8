import type { OwnRuleSheet } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface RuleSheetRow extends Omit<OwnRuleSheet, 'madeAt'> {
  madeAt: Date;
}

export interface SettingRow {
  name: string;
  value: unknown;
}

export const scoringTables = (sequelize: Sequelize) => ({
  ruleSheets: defineTable<RuleSheetRow>(sequelize, 'rule_sheets', {
    id: key(),
    familyId: DataTypes.UUID,
    version: DataTypes.INTEGER,
    sheet: DataTypes.JSON,
    madeAt: instantColumn,
    retired: DataTypes.BOOLEAN,
  }),
  practiceSettings: defineTable<SettingRow>(sequelize, 'practice_settings', {
    name: { type: DataTypes.STRING, primaryKey: true },
    value: DataTypes.JSON,
  }),
});
