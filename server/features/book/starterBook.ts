import { readBookMarkdown, type BookFile } from '@lean-mentor/contract';
import { readdir, readFile } from 'node:fs/promises';

const folder = new URL('./starter/', import.meta.url);

/** The starter book that ships: one Markdown file for each area, read together since they name one another's entries. */
export async function readStarterBook(): Promise<BookFile> {
  const files = (await readdir(folder)).filter((name) => name.endsWith('.md')).sort();
  const texts = await Promise.all(files.map((name) => readFile(new URL(name, folder), 'utf8')));
  const parts = texts.map((text, i) => {
    const read = readBookMarkdown(text);
    if ('faults' in read) throw new Error(`${files[i]}: ${read.faults.join(' ')}`);
    return read.book;
  });
  return { ...parts[0]!, principles: parts.flatMap(({ principles }) => principles), drills: parts.flatMap(({ drills }) => drills) };
}
