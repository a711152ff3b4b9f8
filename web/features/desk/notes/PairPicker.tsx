import type { Note } from '@lean-mentor/core/desk';
import { format } from 'date-fns';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { KindGlyph } from '../../../shared/primitives/index.ts';
import { useGetClientNotesQuery } from '../api.ts';
import { useScene } from '../DeskScene.ts';

const mostShown = 40;

/** "Wrong beside right": the other half of a note, of any request of the same client. */
export function PairPicker({ note }: { note: Note }) {
  const { subject, actions } = useScene();
  const { data, isFetching } = useGetClientNotesQuery(subject.request.id);
  const [open, setOpen] = useState(false);
  const [search, setSearch] = useState('');
  const others = (data?.notes ?? []).filter(({ id }) => id !== note.id);
  const pair = others.find(({ id }) => id === note.pairId);
  // A wrong one looks for a right one, and the other way round.
  const opposite = (kind: Note['kind']): boolean => (kind === 'good') !== (note.kind === 'good');
  const wanted = search.trim().toLocaleLowerCase();
  const found = others
    .filter(({ what }) => what.toLocaleLowerCase().includes(wanted))
    .sort((a, b) => Number(opposite(b.kind)) - Number(opposite(a.kind)))
    .slice(0, mostShown);
  const pick = (pairId: string | null): void => {
    actions.change('note', note.id, { pairId });
    setOpen(false);
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="max-w-64 truncate rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen">
        {note.pairId ? `Beside: ${pair?.what ?? 'another note'}` : 'Set beside …'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          aria-label="Wrong beside right"
          className="z-30 flex max-h-80 w-[26rem] flex-col border border-ink bg-linen shadow-lg"
        >
          <input
            aria-label="Search the client’s notes"
            value={search}
            onChange={(e) => setSearch(e.target.value)}
            placeholder="Search this client’s notes"
            className="border-b border-seam px-3 py-2 outline-none"
          />
          {pair && (
            <p className="flex items-center gap-2 border-b border-seam px-3 py-1.5 text-small">
              <Link
                to={`/requests/${pair.requestId}/desk?footage=${pair.footageId}&frame=${pair.fromFrame}`}
                className="linked grow truncate"
              >
                Look at “{pair.what}”
              </Link>
              <button type="button" onClick={() => pick(null)} className="hover:underline">
                Take them apart
              </button>
            </p>
          )}
          <ul className="overflow-y-auto py-1">
            {found.map((other) => (
              <li key={other.id}>
                <button
                  type="button"
                  onClick={() => pick(other.id)}
                  className="flex w-full items-center gap-2 px-3 py-1 text-left text-small hover:bg-straw"
                >
                  <KindGlyph kind={other.kind} size={12} />
                  <span className="grow truncate">{other.what || 'Nothing written yet'}</span>
                  <span className="shrink-0 text-reed">{format(other.sentAt, 'd MMM yyyy')}</span>
                </button>
              </li>
            ))}
            {found.length === 0 && (
              <li className="px-3 py-2 text-small text-reed">{isFetching ? 'Looking …' : 'No note of this client says that.'}</li>
            )}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
