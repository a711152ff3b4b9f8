import { z } from 'zod';
import { instant } from './ids.ts';

/**
 * All records about one client, table by table with the columns they have; `words` says what the rows are. The ZIP it is taken along in
 * holds a schema with its columns beside it.
 */
export const personFile = z.object({
  format: z.literal('lean-mentor/person@1'),
  takenAt: instant,
  name: z.string(),
  tables: z.record(z.string(), z.object({ words: z.string(), rows: z.array(z.record(z.string(), z.unknown())) })),
});
export type PersonFile = z.infer<typeof personFile>;
