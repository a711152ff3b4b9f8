import type { Found } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { FaultNote, inputClass, kindWords } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useSearchWordsQuery } from './api.ts';

const entryWords = {
  note: 'Note',
  request: 'Asked',
  critique: 'Critique',
  question: 'Question',
  take: 'Spoken',
  client: 'Of them',
} as const;

/** Where something found is opened. */
const pathOf = ({ id, entry, clientId, requestId, critiqueId, footageId, frame }: Found): string => {
  if (entry === 'client') return `/clients/${clientId}`;
  if (entry === 'take') return `/requests/${requestId}/takes/${id}`;
  if (entry === 'note' && footageId) return `/requests/${requestId}/desk?footage=${footageId}&frame=${frame ?? 0}`;
  return critiqueId ? `/critiques/${critiqueId}` : `/requests/${requestId}/desk`;
};

/** A text with the words that were looked for marked in it. */
function Marked({ text, hits }: { text: string; hits: readonly string[] }) {
  if (hits.length === 0) return text;
  const parts = text.split(new RegExp(`(?<![\\p{L}\\p{N}])(${hits.join('|')})(?![\\p{L}\\p{N}])`, 'giu'));
  return parts.map((part, i) =>
    i % 2 === 1 ? (
      <mark key={i} className="bg-transparent text-ink underline decoration-brass decoration-2 underline-offset-2">
        {part}
      </mark>
    ) : (
      part
    ),
  );
}

/** Looks through all that was said of one client, or of all of them. */
export function SearchBox({ clientId, label }: { clientId: string | null; label: string }) {
  const [words, setWords] = useState('');
  const asked = useDeferredValue(words.trim());
  const { data, error, isFetching } = useSearchWordsQuery({ words: asked, clientId }, { skip: asked.length < 3 });
  return (
    <search className="flex flex-col gap-3">
      <input
        type="search"
        aria-label={label}
        placeholder={`${label}: “every good post when lifted”`}
        value={words}
        onChange={({ target }) => setWords(target.value)}
        className={`${inputClass} py-1.5 text-desk`}
      />
      {asked.length >= 3 && (
        <div aria-live="polite">
          {error && <FaultNote>{faultWords(error)}</FaultNote>}
          {data && data.found.length === 0 && !isFetching && <p className="text-small text-reed">Nothing was said with these words.</p>}
          {data && data.found.length > 0 && (
            <ol className="max-h-96 divide-y divide-seam overflow-y-auto border-y border-seam">
              {data.found.map((found) => (
                <li key={found.id} className="grid grid-cols-[5.5rem_1fr] gap-4 py-2 text-small">
                  <span className="text-reed">{format(found.at, 'd MMM yyyy')}</span>
                  <span>
                    <span className="text-reed">
                      {clientId === null && `${found.clientName}, `}
                      {found.kind ? kindWords[found.kind as keyof typeof kindWords] : entryWords[found.entry]}:{' '}
                    </span>
                    <Link to={pathOf(found)} className="hover:underline">
                      <Marked text={found.words} hits={found.hits} />
                    </Link>
                    {found.because.length > 0 && <span className="text-reed"> Found since {found.because.join(', ')}.</span>}
                  </span>
                </li>
              ))}
            </ol>
          )}
          {data?.more && <p className="pt-1 text-small text-reed">Fifty are shown, of the newest. More words find fewer.</p>}
        </div>
      )}
    </search>
  );
}
