import { noteKinds, noteLayers, noteReaders, seenDegrees } from '@lean-mentor/core/desk';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import type { CsvRow } from './boutCsv.ts';
import { chaptersVtt } from './chaptersVtt.ts';
import { notesCsv, readNotesCsv, readNotesFile, type FileNote } from './notesFile.ts';

const text = fc.stringMatching(/^[^\s:][^\n\r]{0,20}[^\s]$/).filter((words) => !words.startsWith('If '));
const note: fc.Arbitrary<FileNote> = fc.record({
  footage: text,
  frame: fc.nat(9000),
  toFrame: fc.option(fc.nat(9000), { nil: null }),
  kind: fc.constantFrom(...noteKinds),
  layer: fc.constantFrom(...noteLayers),
  athlete: fc.constantFrom('client' as const, 'partner' as const),
  seen: fc.constantFrom(...seenDegrees),
  severity: fc.integer({ min: 1, max: 3 }),
  visible: fc.constantFrom(...noteReaders),
  principle: fc.option(text, { nil: null }),
  what: fc.option(text, { nil: '' }),
  instead: fc.array(fc.record({ when: fc.constantFrom('', 'he stands', 'late, and tired'), do: text }), { maxLength: 3 }),
});
const rowsOf = (csv: string): CsvRow[] => Papa.parse<CsvRow>(csv, { header: true, skipEmptyLines: true }).data;

describe('notes as CSV', () => {
  it('are read back as they were written, whatever their words', () => {
    fc.assert(
      fc.property(fc.array(note, { minLength: 1, maxLength: 6 }), (notes) => {
        expect(readNotesCsv(rowsOf(notesCsv(notes)))).toEqual({ notes });
      }),
    );
  });

  it('say what is wrong with its line of the file', () => {
    const csv = 'footage,frame,kind\nround.mp4,12,mistake\nround.mp4,,mistake\nround.mp4,3,blunder';
    expect(readNotesCsv(rowsOf(csv))).toEqual({
      faults: [
        expect.stringMatching(/^Line 3: .*a note needs a frame or a second/),
        expect.stringMatching(/^Line 4: kind "blunder" is not right/),
      ],
    });
    expect(readNotesCsv(rowsOf('footage,colour\na,b'))).toEqual({ faults: [expect.stringContaining('The column “colour” is not known')] });
  });

  it('need no more than where they stand and their kind', () => {
    expect(readNotesFile({ format: 'lean-mentor/notes@1', notes: [{ footage: 'a.mp4', seconds: 4.2, kind: 'good' }] })).toMatchObject({
      notes: [{ seconds: 4.2, layer: 'technical', athlete: 'client', severity: 2, principle: null }],
    });
  });
});

describe('chapters as WebVTT', () => {
  it('stand in the order of time, and no word of theirs can break a cue', () => {
    const vtt = chaptersVtt([
      { fromSeconds: 3661.5, toSeconds: 3662, title: 'Late\n\nand --> <b>' },
      { fromSeconds: 0, toSeconds: 0, title: 'First' },
    ]);
    expect(vtt).toBe('WEBVTT\n\n1\n00:00:00.000 --> 00:00:00.001\nFirst\n\n2\n01:01:01.500 --> 01:01:02.000\nLate and → &lt;b>\n');
  });
});
