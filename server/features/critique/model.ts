import type { ForkChoice } from '@lean-mentor/contract';
import type { AnswerTake, Bout, CritiqueExport, Question, SentFix, SentMoment, SentTake } from '@lean-mentor/contract';
import type { CritiqueDoc } from '@lean-mentor/core/critique';
import type { TakeStretch } from '@lean-mentor/core/desk';
import type { BoutScore, RuleSheet } from '@lean-mentor/core/scoring';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

/** One critique of a request: what is being written, and where what was sent stands. */
export interface CritiqueRow {
  id: string;
  requestId: string;
  /** Null before the first draft. */
  doc: CritiqueDoc | null;
  /** Grows with every time it is kept. */
  revision: number;
  /** The version that stands; 0 while none was sent or it was taken back. */
  version: number;
  /** When that version was sent. */
  sentAt: Date | null;
  readAt: Date | null;
  /** By fix. */
  understood: Record<string, string>;
  forkChoices: Record<string, ForkChoice>;
  code: string | null;
}

/** A version as it was sent; it never changes. */
export interface VersionRow {
  critiqueId: string;
  version: number;
  doc: CritiqueDoc;
  fixes: SentFix[];
  moments: SentMoment[];
  coachName: string;
  sentAt: Date;
  takes: VersionTake[];
  /** Null of what was sent before this was kept. */
  writtenFrom: WrittenFrom | null;
  /** When it was read, of one that a later version stands in place of; of the one that stands the critique knows. */
  readAt?: Date | null;
}

/** Something spoken in a version: as it is heard, and what of its recording that is. */
export interface VersionTake extends Omit<SentTake, 'ready' | 'heard'> {
  cuts: TakeStretch[];
  denoise?: boolean | undefined;
}

/** An answer that is spoken: as it is heard, and what of its recording that is. */
export interface AnswerTakeRow extends AnswerTake {
  cuts: TakeStretch[];
  denoise?: boolean | undefined;
}

/** What its client has listened to of something spoken in a version. */
export interface HeardRow {
  critiqueId: string;
  version: number;
  place: number;
  stretches: TakeStretch[];
  changedAt: Date;
}

/** What a version was written from, as it was then: whatever is coded, corrected or changed later, what was sent stays true. */
export interface WrittenFrom {
  footages: { id: string; bouts: Bout[] }[];
  /** The bouts that were scored: by which sheet (the coach's own, with its version, by `sheetId`) and with what result. */
  scores: { boutId: string; sheetId: string | null; sheet: RuleSheet; score: BoutScore }[];
}

/** The fixes of the version that stands, for looking up by principle. */
export interface SentFixRow {
  critiqueId: string;
  position: number;
  fixId: string;
  principleId: string | null;
  noteIds: string[];
}

export interface QuestionRow {
  id: string;
  critiqueId: string;
  fixId: string | null;
  noteId: string | null;
  spoken: Question['spoken'];
  words: string;
  askedBy: string;
  askedAt: Date;
  answer: string | null;
  answerTake: AnswerTakeRow | null;
  answeredBy: string | null;
  answeredAt: Date | null;
}

/** A critique being made, or made, into a form to take along. */
export interface ExportRow {
  id: string;
  critiqueId: string;
  version: number;
  form: CritiqueExport;
  askedBy: string;
  askedAt: Date;
  state: 'waiting' | 'ready' | 'failed';
  fileName: string;
}

export interface LinkRow {
  id: string;
  critiqueId: string;
  /** SHA-256 of the token, in hex: whoever reads the table cannot open anything. */
  tokenHash: string;
  forName: string;
  madeAt: Date;
  expiresAt: Date;
  /** How often the page was opened by it. */
  opened: number;
}

export const critiqueTables = (sequelize: Sequelize) => ({
  critiques: defineTable<CritiqueRow>(sequelize, 'critiques', {
    id: key(),
    requestId: DataTypes.UUID,
    doc: DataTypes.JSON,
    revision: DataTypes.INTEGER,
    version: DataTypes.INTEGER,
    sentAt: instantColumn,
    readAt: instantColumn,
    understood: DataTypes.JSON,
    forkChoices: DataTypes.JSON,
    code: DataTypes.STRING,
  }),
  critiqueVersions: defineTable<VersionRow>(sequelize, 'critique_versions', {
    critiqueId: key(),
    version: { type: DataTypes.INTEGER, primaryKey: true },
    doc: DataTypes.JSON,
    fixes: DataTypes.JSON,
    moments: DataTypes.JSON,
    coachName: DataTypes.STRING,
    sentAt: instantColumn,
    takes: DataTypes.JSON,
    writtenFrom: DataTypes.JSON,
    readAt: instantColumn,
  }),
  sentFixes: defineTable<SentFixRow>(sequelize, 'sent_fixes', {
    critiqueId: key(),
    position: { type: DataTypes.INTEGER, primaryKey: true },
    fixId: DataTypes.UUID,
    principleId: DataTypes.UUID,
    noteIds: DataTypes.JSON,
  }),
  takesHeard: defineTable<HeardRow>(sequelize, 'takes_heard', {
    critiqueId: key(),
    version: { type: DataTypes.INTEGER, primaryKey: true },
    place: { type: DataTypes.INTEGER, primaryKey: true },
    stretches: DataTypes.JSON,
    changedAt: instantColumn,
  }),
  questions: defineTable<QuestionRow>(sequelize, 'questions', {
    id: key(),
    critiqueId: DataTypes.UUID,
    fixId: DataTypes.UUID,
    noteId: DataTypes.UUID,
    spoken: DataTypes.JSON,
    words: DataTypes.TEXT,
    askedBy: DataTypes.STRING,
    askedAt: instantColumn,
    answer: DataTypes.TEXT,
    answerTake: DataTypes.JSON,
    answeredBy: DataTypes.STRING,
    answeredAt: instantColumn,
  }),
  critiqueLinks: defineTable<LinkRow>(sequelize, 'critique_links', {
    id: key(),
    critiqueId: DataTypes.UUID,
    tokenHash: DataTypes.STRING,
    forName: DataTypes.STRING,
    madeAt: instantColumn,
    expiresAt: instantColumn,
    opened: DataTypes.INTEGER,
  }),
  exports: defineTable<ExportRow>(sequelize, 'exports', {
    id: key(),
    critiqueId: DataTypes.UUID,
    version: DataTypes.INTEGER,
    form: DataTypes.STRING,
    askedBy: DataTypes.UUID,
    askedAt: instantColumn,
    state: DataTypes.STRING,
    fileName: DataTypes.STRING,
  }),
});
