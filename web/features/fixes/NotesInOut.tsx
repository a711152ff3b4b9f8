import { exportNotes, notesFormat, readNotesCsv, readNotesFile, type CsvRow, type ReadNotes } from '@lean-mentor/contract';
import Papa from 'papaparse';
import { toast } from 'sonner';
import { FileButton } from '../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../shared/wire/index.ts';
import { useImportNotesMutation } from './api.ts';

/** Reads notes out of a file by what it is called and looks like. */
function notesOf(text: string, name: string): ReadNotes {
  if (/\.json$/i.test(name) || text.trimStart().startsWith('{')) {
    try {
      return readNotesFile(JSON.parse(text));
    } catch {
      return { faults: ['It is not whole JSON.'] };
    }
  }
  const { data, errors } = Papa.parse<CsvRow>(text, { header: true, skipEmptyLines: true });
  if (errors[0]) return { faults: [`Line ${(errors[0].row ?? 0) + 2}: ${errors[0].message}.`] };
  return data.length === 0 ? { faults: ['There is no line under its header.'] } : readNotesCsv(data);
}

/** The notes of a request out to a file, and notes of a file in. */
export function NotesInOut({ requestId, onBrought }: { requestId: string; onBrought: () => void }) {
  const [bring] = useImportNotesMutation();
  const take = async (file: File): Promise<void> => {
    const read = notesOf(await file.text(), file.name);
    if ('faults' in read) return void toast.error(`${file.name} was not taken. ${read.faults.slice(0, 4).join(' ')}`, { duration: 15_000 });
    const answer = await bring({ requestId, format: notesFormat, notes: read.notes });
    if (answer.error) return void toast.error(`${file.name} was not taken. ${faultWords(answer.error)}`, { duration: 15_000 });
    toast(answer.data.added === 1 ? 'One note brought.' : `${answer.data.added} notes brought.`);
    onBrought();
  };
  return (
    <p className="mt-6 flex flex-wrap gap-4 text-small">
      <FileButton words="Bring notes from a file" accept=".csv,.json,text/csv,application/json" onFile={(file) => void take(file)} />
      {(['csv', 'json'] as const).map((as) => (
        <a key={as} href={addressOf(exportNotes, { requestId, as })} download className="font-semibold text-pine hover:underline">
          Take the notes out as {as.toUpperCase()}
        </a>
      ))}
    </p>
  );
}
