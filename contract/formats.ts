import { z } from 'zod';
import { bookFile } from './bookFile.ts';
import { boutFile } from './boutFile.ts';
import { critiqueFile } from './critiqueFile.ts';
import { notesFile } from './notesFile.ts';
import { personFile } from './personFile.ts';
import { practiceFile } from './practiceFile.ts';
import { progressFile } from './progressFile.ts';
import { rankFile } from './rankFile.ts';
import { retestFile } from './retestFile.ts';
import { scheduleFile } from './scheduleFile.ts';
import { takeFile } from './takeFile.ts';

/** JSON Schemas of the files that go in and out, by the name they lie under in docs/formats/. */
export const formatSchemas = (): Record<string, object> => ({
  'book.schema.json': { title: 'lean-mentor/book@1', ...z.toJSONSchema(bookFile, { io: 'input' }) },
  'bout.schema.json': { title: 'lean-mentor/bout@1', ...z.toJSONSchema(boutFile, { io: 'input' }) },
  'critique.schema.json': { title: 'lean-mentor/critique@1', ...z.toJSONSchema(critiqueFile, { io: 'input' }) },
  'notes.schema.json': { title: 'lean-mentor/notes@1', ...z.toJSONSchema(notesFile, { io: 'input' }) },
  'person.schema.json': { title: 'lean-mentor/person@1', ...z.toJSONSchema(personFile, { io: 'input' }) },
  'progress.schema.json': { title: 'lean-mentor/progress@1', ...z.toJSONSchema(progressFile, { io: 'input' }) },
  'rank.schema.json': { title: 'lean-mentor/rank@1', ...z.toJSONSchema(rankFile, { io: 'input' }) },
  'retest.schema.json': { title: 'lean-mentor/retest@1', ...z.toJSONSchema(retestFile, { io: 'input' }) },
  'schedule.schema.json': { title: 'lean-mentor/schedule@1', ...z.toJSONSchema(scheduleFile, { io: 'input' }) },
  'take.schema.json': { title: 'lean-mentor/take@1', ...z.toJSONSchema(takeFile, { io: 'input' }) },
  'practice-1.schema.json': { title: 'lean-mentor/practice@1', ...z.toJSONSchema(practiceFile, { io: 'input' }) },
});
