import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn } from '../../db/table.ts';

/** Who is taking bytes of an upload at present. */
export interface UploadLockRow {
  uploadId: string;
  holder: string;
  /** Somebody else waits for it. */
  wanted: boolean;
  beatAt: Date;
}

export const uploadTables = (sequelize: Sequelize) => ({
  uploadLocks: defineTable<UploadLockRow>(sequelize, 'upload_locks', {
    uploadId: { type: DataTypes.STRING, primaryKey: true },
    holder: DataTypes.UUID,
    wanted: DataTypes.BOOLEAN,
    beatAt: instantColumn,
  }),
});
