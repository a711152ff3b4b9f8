import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { formatSchemas } from './formats.ts';

it.each(Object.entries(formatSchemas()))('docs/formats/%s says what the contract says (npm run formats writes it)', (name, schema) => {
  const written: unknown = JSON.parse(readFileSync(new URL(`../docs/formats/${name}`, import.meta.url), 'utf8'));
  expect(written).toEqual(JSON.parse(JSON.stringify(schema)));
});
