import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';

/** The accessibility checker's source, to be run inside the page. */
export const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
