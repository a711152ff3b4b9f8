import { bookFileOf, bookMarkdown, readBookFile, readBookMarkdown, type BookShelf, type ReadBook } from '@lean-mentor/contract';
import { download } from '../../shared/download.ts';

export function downloadBook(shelf: BookShelf, as: 'json' | 'md'): void {
  const file = bookFileOf(shelf);
  const text = as === 'json' ? `${JSON.stringify(file, null, 2)}\n` : bookMarkdown(file);
  download(new Blob([text], { type: as === 'json' ? 'application/json' : 'text/markdown' }), `book.${as}`);
}

/** Reads a book out of a file's text, by what it looks like. */
export function readBookText(text: string): ReadBook {
  if (!text.trimStart().startsWith('{')) return readBookMarkdown(text);
  try {
    return readBookFile(JSON.parse(text));
  } catch {
    return { faults: ['It begins like JSON, and is not whole.'] };
  }
}
