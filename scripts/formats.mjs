import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './settings.mjs';

/** `npm run formats` (through tsx): writes docs/formats/*.schema.json from the contract. */
const { formatSchemas } = await import('../contract/formats.ts');
for (const [name, schema] of Object.entries(formatSchemas()))
  writeFileSync(join(root, 'docs', 'formats', name), `${JSON.stringify(schema, null, 2)}\n`);
