import { z } from 'zod';
import { boutFile } from './boutFile.ts';
import { practiceFile } from './practiceFile.ts';
import { progressFile } from './progressFile.ts';
import { rankFile } from './rankFile.ts';

/** JSON Schemas of the files that go in and out, by the name they lie under in docs/formats/. */
export const formatSchemas = (): Record<string, object> => ({
  'bout.schema.json': { title: 'lean-mentor/bout@1', ...z.toJSONSchema(boutFile, { io: 'input' }) },
  'progress.schema.json': { title: 'lean-mentor/progress@1', ...z.toJSONSchema(progressFile, { io: 'input' }) },
  'rank.schema.json': { title: 'lean-mentor/rank@1', ...z.toJSONSchema(rankFile, { io: 'input' }) },
  'practice-1.schema.json': { title: 'lean-mentor/practice@1', ...z.toJSONSchema(practiceFile, { io: 'input' }) },
});
