import { mkdir, rename, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { demoPractice } from './scenario/practice.ts';

/**
 * `node --import tsx demo/writePractice.ts FILE [CLIP…]`: writes the demo practice as of now, with the requests of the named
 * clips only where any are named; clips are named where they lie.
 */
const [file, ...wanted] = process.argv.slice(2);
if (!file) throw new Error('Name the file to write.');
const practice = demoPractice(new Date());
if (wanted.length > 0)
  practice.requests = practice.requests.filter((r) =>
    r.footages.some((f) => f.file === null || wanted.includes(f.file.replace('.mp4', ''))),
  );
// Work that came of a request goes where its request does.
const requestIds = new Set(practice.requests.map(({ id }) => id));
for (const one of practice.work) if (one.requestId && !requestIds.has(one.requestId)) one.requestId = null;
const clips = fileURLToPath(new URL('./clips/', import.meta.url));
for (const footage of practice.requests.flatMap((r) => r.footages)) if (footage.file !== null) footage.file = join(clips, footage.file);
for (const recording of practice.requests.flatMap((r) => r.recordings)) recording.file = join(clips, recording.file);
await mkdir(dirname(file), { recursive: true });
// Whole or not at all: a start that is cut off leaves no half of it.
await writeFile(`${file}.new`, JSON.stringify(practice, null, 1));
await rename(`${file}.new`, file);
