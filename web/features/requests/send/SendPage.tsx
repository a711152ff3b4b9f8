import { format } from 'date-fns';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Fetched } from '../../../shared/fetched/index.ts';
import { Choice, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useBeginDraftMutation, useListDraftsQuery } from '../api.ts';
import { stepWords } from '../words.ts';
import { AddFiles } from './AddFiles.tsx';

/** Where sending begins, or goes on with what was begun on this device or another. */
export function SendPage() {
  const clients = useAccount()?.clients ?? [];
  const [clientId, setClientId] = useState(clients[0]?.id);
  const fetched = useListDraftsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = fetched;
  const [begin, begun] = useBeginDraftMutation();
  const navigate = useNavigate();
  const drafts = data?.drafts ?? [];
  return (
    <main className="mx-auto flex max-w-md flex-col gap-6 py-6">
      <h1 className="text-banner">Send footage</h1>
      <Fetched of={fetched} rows={1} />
      {drafts.length > 0 && (
        <section aria-label="Begun and not sent">
          <h2 className="mb-1 font-semibold">Begun and not sent</h2>
          <ul className="divide-y divide-seam border-y border-seam">
            {drafts.map((draft) => (
              <li key={draft.id}>
                <Link to={`/send/${draft.id}`} className="flex min-h-14 flex-col justify-center py-2 hover:bg-linen">
                  <span className="truncate font-semibold">
                    {draft.intake.question || draft.footages[0]?.fileName || 'Nothing said yet'}
                  </span>
                  <span className="text-desk text-reed">
                    {clients.length > 1 && `${draft.clientName}, `}
                    {format(draft.begunAt, 'd MMM')}, next: {stepWords[draft.step].toLowerCase()}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-label="New" className="flex flex-col gap-5">
        {clients.length > 1 && (
          <Choice
            label="Whose is it?"
            value={clientId}
            onChange={setClientId}
            options={clients.map(({ id, name }) => ({ value: id, words: name }))}
          />
        )}
        {begun.error && <FaultNote>{faultWords(begun.error)}</FaultNote>}
        {clientId && (
          <AddFiles
            requestId={async () => (await begin({ clientId })).data?.id ?? null}
            more={false}
            onAdded={(id) => void navigate(`/send/${id}`)}
          />
        )}
        <p className="text-desk text-reed">
          One round and one question is enough. Everything you write is kept as you go: you can stop at any step and go on later, also on
          another device.
        </p>
      </section>
    </main>
  );
}
