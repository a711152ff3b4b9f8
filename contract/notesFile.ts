import { noteKinds, noteLayers, noteReaders, seenDegrees } from '@lean-mentor/core/desk';
import { z } from 'zod';
import { schemaFault } from './schemaFault.ts';
import type { CsvRow } from './boutCsv.ts';
import { csvText, plainCell } from './csvText.ts';

export const notesFormat = 'lean-mentor/notes@1';

/** A note in a file: where it stands by frame or by second of its footage, which is named as the client sent it. */
export const fileNote = z
  .object({
    footage: z.string().min(1).max(300),
    frame: z.int().min(0).optional(),
    seconds: z.number().min(0).optional(),
    /** The end of a range; absent: it stands on one frame. */
    toFrame: z.int().min(0).nullable().default(null),
    kind: z.enum(noteKinds),
    layer: z.enum(noteLayers).default('technical'),
    athlete: z.enum(['client', 'partner']).default('client'),
    seen: z.enum(seenDegrees).default('clear'),
    severity: z.int().min(1).max(3).default(2),
    visible: z.enum(noteReaders).default('client'),
    /** By name; it must be in the book. Null: it names none. */
    principle: z.string().max(120).nullable().default(null),
    what: z.string().max(2000).default(''),
    instead: z
      .array(z.object({ when: z.string().max(300).default(''), do: z.string().min(1).max(1000) }))
      .max(8)
      .default([]),
  })
  .refine(({ frame, seconds }) => frame !== undefined || seconds !== undefined, 'a note needs a frame or a second');

export const notesFile = z.object({ format: z.literal(notesFormat), notes: z.array(fileNote).max(2000) });
export type NotesFile = z.infer<typeof notesFile>;
export type FileNote = NotesFile['notes'][number];

export type ReadNotes = { notes: FileNote[] } | { faults: string[] };

/** Reads notes that were parsed from JSON; every fault with its place. */
export function readNotesFile(json: unknown): ReadNotes {
  const parsed = notesFile.safeParse(json);
  return parsed.success ? { notes: parsed.data.notes } : { faults: parsed.error.issues.flatMap((issue) => schemaFault(json, issue)) };
}

const columns = [
  'footage',
  'frame',
  'seconds',
  'toFrame',
  'kind',
  'layer',
  'athlete',
  'seen',
  'severity',
  'visible',
  'principle',
  'what',
  'instead',
] as const;

const insteadText = (instead: FileNote['instead']): string =>
  instead.map(({ when, do: what }) => (when ? `If ${when}: ${what}` : what)).join('\n');
const insteadOf = (text: string): FileNote['instead'] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const [, when, what] = /^If (.+?): (.+)$/.exec(line) ?? [];
      return { when: when ?? '', do: what ?? line };
    });

/** Notes as CSV (RFC 4180), one line each under a header; several things to do instead stand under one another in their cell. */
export const notesCsv = (notes: readonly FileNote[]): string =>
  csvText(
    columns,
    notes.map((note) => columns.map((column) => (column === 'instead' ? insteadText(note.instead) : note[column]))),
  );

const numbers: ReadonlySet<string> = new Set(['frame', 'seconds', 'toFrame', 'severity']);

/** Reads notes from lines of CSV by the names of their columns; a fault names its line of the file. */
export function readNotesCsv(rows: readonly CsvRow[]): ReadNotes {
  const unknown = Object.keys(rows[0] ?? {}).filter((column) => !(columns as readonly string[]).includes(column));
  if (unknown.length > 0) return { faults: [`The column “${unknown[0]}” is not known; the columns are ${columns.join(', ')}.`] };
  const notes = rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).flatMap(([column, text]): [string, unknown][] => {
        const value = plainCell(text.trim());
        if (value === '') return [];
        if (column === 'instead') return [[column, insteadOf(value)]];
        return [[column, numbers.has(column) && Number.isFinite(Number(value)) ? Number(value) : value]];
      }),
    ),
  );
  const read = readNotesFile({ format: notesFormat, notes });
  if ('notes' in read) return read;
  return { faults: read.faults.map((fault) => fault.replace(/^notes\[(\d+)\]\.?/, (_, index: string) => `Line ${Number(index) + 2}: `)) };
}
