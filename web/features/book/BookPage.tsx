import { areaNames, bookAreas, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { useDeferredValue, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Button, Empty, FaultNote, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useListClipsQuery } from './api.ts';
import { BookEntry } from './BookEntry.tsx';
import { BookInOut } from './BookInOut.tsx';
import { bookSearch } from './bookSearch.ts';
import { ClipShelf } from './ClipShelf.tsx';
import { useGetBookQuery } from './entriesApi.ts';
import { newDrill, newPrinciple } from './newEntries.ts';

const shelves = { principles: 'Principles', drills: 'Drills', clips: 'Clips' } as const;
type Shelf = keyof typeof shelves;

/** The coach's book: look for an entry, read it, change it; bring a book in, take it out. */
export function BookPage() {
  const { data, error, refetch } = useGetBookQuery();
  const { data: clips } = useListClipsQuery();
  const mayChange = useAccount()?.role === 'coach';
  const [params, setParams] = useSearchParams();
  const [asked, setAsked] = useState('');
  const [made, setMade] = useState<BookPrinciple | BookDrill | null>(null);
  const shelf = (params.get('shelf') ?? 'principles') as Shelf;
  const openId = params.get('open');
  const search = useMemo(() => bookSearch(shelf === 'drills' ? (data?.drills ?? []) : (data?.principles ?? [])), [data, shelf]);
  const wanted = useDeferredValue(asked);
  const found = useMemo(() => search(wanted), [search, wanted]);
  const show = (to: Shelf, id: string | null): void => {
    setMade(null);
    setParams(id ? { shelf: to, open: id } : { shelf: to });
  };

  const entries: readonly (BookPrinciple | BookDrill)[] = shelf === 'drills' ? (data?.drills ?? []) : (data?.principles ?? []);
  const entry = made ?? entries.find(({ id }) => id === openId);
  return (
    <main className="grid grid-cols-[19rem_minmax(0,1fr)] gap-10 py-8">
      <div className="flex flex-col gap-4">
        <h1 className="text-title">The book</h1>
        <Shelves shelf={shelf} data={data} onShow={(one) => show(one, null)} />
        {shelf !== 'clips' && (
          <input
            type="search"
            aria-label="Search the book"
            placeholder="Search the book"
            value={asked}
            onChange={({ target }) => setAsked(target.value)}
            className="rounded-sm border border-seam bg-linen px-3 py-1.5"
          />
        )}
        {error && <FaultNote again={() => void refetch()}>{faultWords(error)}</FaultNote>}
        {!data && !error && <RowsSkeleton rows={8} />}
        {data && shelf !== 'clips' && (
          <EntryList
            entries={entries}
            found={found}
            grouped={asked.trim() === ''}
            openId={entry?.id ?? null}
            onOpen={(id) => show(shelf, id)}
          />
        )}
        {shelf === 'clips' && <p className="text-reed">Short videos of your own. A principle or a note can show one.</p>}
        {mayChange && data && <BookInOut book={{ ...data, clips: clips?.clips ?? [] }} />}
      </div>
      <section aria-label="Entry" className="min-w-0">
        {mayChange && shelf !== 'clips' && (
          <div className="mb-4 flex justify-end">
            <Button look="plain" onClick={() => setMade(shelf === 'drills' ? newDrill(entries) : newPrinciple(entries))}>
              {shelf === 'drills' ? 'A new drill' : 'A new principle'}
            </Button>
          </div>
        )}
        {shelf === 'clips' && (
          <div className="max-w-[34rem]">
            <ClipShelf chosenId={openId} onChoose={(id) => show('clips', id)} />
          </div>
        )}
        {data && shelf !== 'clips' && !entry && <Empty>Choose an entry on the left{mayChange ? ', or write a new one' : ''}.</Empty>}
        {data && shelf !== 'clips' && entry && (
          <BookEntry
            key={entry.id}
            entry={entry}
            isNew={made !== null}
            mayChange={mayChange}
            principles={data.principles}
            drills={data.drills}
            onOpen={show}
          />
        )}
      </section>
    </main>
  );
}

interface EntryListProps {
  entries: readonly (BookPrinciple | BookDrill)[];
  found: readonly string[];
  grouped: boolean;
  openId: string | null;
  onOpen: (id: string) => void;
}

/** Names to choose from: by area, or as they were found. */
function EntryList({ entries, found, grouped, openId, onOpen }: EntryListProps) {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const shown = found.flatMap((id) => byId.get(id) ?? []);
  const row = ({ id, name }: { id: string; name: string }) => (
    <li key={id}>
      <button
        type="button"
        aria-current={id === openId}
        onClick={() => onOpen(id)}
        className="w-full border-l-2 border-transparent px-3 py-1 text-left hover:bg-linen aria-[current=true]:border-pine aria-[current=true]:bg-linen aria-[current=true]:font-semibold"
      >
        {name}
      </button>
    </li>
  );
  const areas = grouped && shown.some((entry) => 'area' in entry) ? bookAreas : null;
  return (
    <nav aria-label="Entries" className="max-h-[62vh] overflow-y-auto">
      {shown.length === 0 && <p className="text-reed">Nothing is called that.</p>}
      {!areas && <ul>{shown.map(row)}</ul>}
      {areas?.map((area) => {
        const these = shown.filter((entry) => 'area' in entry && entry.area === area);
        return these.length === 0 ? null : (
          <div key={area}>
            <h2 className="mt-2 mb-0.5 px-3 text-small font-semibold text-reed">{areaNames[area]}</h2>
            <ul>{these.map(row)}</ul>
          </div>
        );
      })}
    </nav>
  );
}

interface ShelvesProps {
  shelf: Shelf;
  data: { principles: readonly unknown[]; drills: readonly unknown[] } | undefined;
  onShow: (shelf: Shelf) => void;
}

function Shelves({ shelf, data, onShow }: ShelvesProps) {
  return (
    <nav aria-label="Shelves" className="flex gap-4 border-b border-seam">
      {(Object.keys(shelves) as Shelf[]).map((one) => (
        <button
          key={one}
          type="button"
          aria-current={one === shelf ? 'page' : undefined}
          onClick={() => onShow(one)}
          className="-mb-px border-b-2 border-transparent pb-1.5 font-semibold text-reed hover:text-ink aria-[current=page]:border-pine aria-[current=page]:text-ink"
        >
          {shelves[one]} {one !== 'clips' && data && <span className="time font-normal">{data[one].length}</span>}
        </button>
      ))}
    </nav>
  );
}
