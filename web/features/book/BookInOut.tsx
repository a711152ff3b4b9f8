import { toast } from 'sonner';
import { FileButton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { downloadBook, readBookText } from './bookFiles.ts';
import { useAddStarterBookMutation, useImportBookMutation } from './entriesApi.ts';

/** The book in from a file and out to one, and what the starter book has that this one lacks. */
export function BookInOut({ book }: { book: Parameters<typeof downloadBook>[0] }) {
  const [importBook, importing] = useImportBookMutation();
  const [addStarter] = useAddStarterBookMutation();
  const bring = async (file: File): Promise<void> => {
    const read = readBookText(await file.text());
    if ('faults' in read) return void toast.error(`${file.name} was not taken. ${read.faults.slice(0, 4).join(' ')}`, { duration: 15_000 });
    const answer = await importBook(read.book);
    if (answer.error) return void toast.error(`${file.name} was not taken. ${faultWords(answer.error)}`, { duration: 15_000 });
    const { added, changed, missingClips } = answer.data;
    toast(
      `${added} new, ${changed} replaced.${missingClips.length > 0 ? ` Without these clips, which are not here: ${missingClips.join(', ')}.` : ''}`,
    );
  };
  const starter = async (): Promise<void> => {
    const answer = await addStarter();
    if (answer.data)
      toast(answer.data.added === 0 ? 'Everything of the starter book is there.' : `${answer.data.added} entries added or filled up.`);
  };
  return (
    <div className="flex flex-col items-start gap-1.5 border-t border-seam pt-3 text-small">
      <FileButton
        words={importing.isLoading ? 'Reading …' : 'Bring a book from a file'}
        accept=".json,.md,application/json,text/markdown"
        onFile={(file) => void bring(file)}
      />
      {(['md', 'json'] as const).map((as) => (
        <button key={as} type="button" className="font-semibold text-pine hover:underline" onClick={() => downloadBook(book, as)}>
          Take the book out as {as === 'md' ? 'Markdown' : 'JSON'}
        </button>
      ))}
      <button type="button" className="font-semibold text-pine hover:underline" onClick={() => void starter()}>
        Add what is missing of the starter book
      </button>
    </div>
  );
}
