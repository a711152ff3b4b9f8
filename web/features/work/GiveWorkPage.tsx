import type { ClientWork } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { FormEnd, lineClass, Row } from '../../shared/forms/index.ts';
import { useGetBookQuery } from '../book/index.ts';
import { useGetClientHistoryQuery, useGetClientProgressQuery, useGetWorkEffectsQuery } from '../followup/index.ts';
import { useGetClientWorkQuery, useGiveWorkMutation, useProposeWorkQuery, type WorkProposals } from './api.ts';
import { WorkForm } from './WorkForm.tsx';
import { lengthWords } from './words.ts';
import { Finder, namedOptions } from '../../shared/primitives/index.ts';

/** Work for a client: out of the book for one of their fixes, changed as it should be, and given. */
export function GiveWorkPage() {
  const { clientId = '', workId } = useParams();
  const [search, setSearch] = useSearchParams();
  const history = useGetClientHistoryQuery(clientId);
  const work = useGetClientWorkQuery(clientId, { refetchOnMountOrArgChange: true });
  const principleId = search.get('fix');
  if (!history.data) return <Fetched of={history} className="py-8" />;
  if (!work.data) return <Fetched of={work} className="py-8" />;
  const { client } = history.data;
  const given = workId ? work.data.work.find(({ id }) => id === workId) : undefined;
  return (
    <main className="grid grid-cols-[300px_minmax(0,1fr)] gap-12 py-8">
      <aside className="flex flex-col gap-4">
        <Link className="linked" to={`/clients/${clientId}`}>
          {client.name}
        </Link>
        <h1 className="text-title">{given ? 'Change work' : `Work for ${client.name.split(' ')[0]!}`}</h1>
        {client.hurts.length > 0 && <p className="border-l-4 border-brick pl-3">Hurts: {client.hurts.join(', ')}</p>}
        {!given && (
          <FixChoice
            clientId={clientId}
            chosen={principleId}
            onChoose={(id) => setSearch((now) => ({ ...Object.fromEntries(now), fix: id }))}
          />
        )}
      </aside>
      {given ? (
        <Giving key={given.id} clientId={clientId} from={given.terms} given={given} fromOn={given.fromOn} />
      ) : principleId ? (
        <Proposed
          key={principleId}
          clientId={clientId}
          principleId={principleId}
          requestId={search.get('request')}
          today={work.data.today}
        />
      ) : (
        <p className="pt-10 text-center text-read text-reed">Choose what it is for. From the book comes what fits {client.name}.</p>
      )}
    </main>
  );
}

/** What it is for: the fixes that were given first, the last on top, then all of the book. */
function FixChoice({ clientId, chosen, onChoose }: { clientId: string; chosen: string | null; onChoose: (id: string) => void }) {
  const progress = useGetClientProgressQuery(clientId);
  const book = useGetBookQuery();
  const open = progress.data?.threads.filter(({ closedAt }) => closedAt === null) ?? [];
  return (
    <>
      <section aria-label="Their fixes">
        <h2 className="mb-1 text-desk">Their fixes</h2>
        <Fetched of={progress} rows={2}>
          {() => (
            <ul className="divide-y divide-seam border-y border-seam">
              {open.map(({ principleId, name }) => (
                <li key={principleId}>
                  <button
                    type="button"
                    aria-pressed={principleId === chosen}
                    onClick={() => onChoose(principleId)}
                    className="w-full border-l-4 border-transparent py-2 pl-2 text-left hover:bg-linen aria-pressed:border-pine aria-pressed:bg-linen aria-pressed:font-semibold"
                  >
                    {name}
                  </button>
                </li>
              ))}
              {open.length === 0 && <li className="py-2 text-reed">None was sent yet.</li>}
            </ul>
          )}
        </Fetched>
      </section>
      <Row label="Or anything of the book">
        <Finder
          value={chosen ?? ''}
          placeholder="…"
          options={namedOptions(book.data?.principles ?? [])}
          onChange={onChoose}
          className={lineClass}
        />
      </Row>
    </>
  );
}

interface ProposedProps {
  clientId: string;
  principleId: string;
  requestId: string | null;
  today: string;
}

function Proposed({ clientId, principleId, requestId, today }: ProposedProps) {
  const fetched = useProposeWorkQuery({ clientId, principleId }, { refetchOnMountOrArgChange: true });
  const [chosen, setChosen] = useState(0);
  return (
    <Fetched of={fetched} rows={3}>
      {({ proposals }) =>
        proposals.length === 0 ? (
          <p className="pt-10 text-center text-read text-reed">
            The book says nowhere where this can fail, and names no drill for it that this client may be given.{' '}
            <Link className="linked" to="/book">
              Add one there
            </Link>
            .
          </p>
        ) : (
          <div className="flex flex-col gap-8">
            <ProposalList proposals={proposals} chosen={chosen} onChoose={setChosen} />
            <WhatMoved principleId={principleId} />
            <Giving
              key={chosen}
              clientId={clientId}
              from={proposals[chosen]!.terms}
              principleId={principleId}
              requestId={requestId}
              fromOn={today}
            />
          </div>
        )
      }
    </Fetched>
  );
}

function ProposalList({ proposals, chosen, onChoose }: { proposals: WorkProposals; chosen: number; onChoose: (i: number) => void }) {
  return (
    <ul aria-label="Proposed" className="divide-y divide-seam border-y border-seam">
      {proposals.map(({ terms, minds }, i) => (
        <li key={`${terms.name} ${i}`}>
          <button
            type="button"
            aria-pressed={i === chosen}
            onClick={() => onChoose(i)}
            className="grid w-full grid-cols-[minmax(0,1fr)_auto] gap-x-4 border-l-4 border-transparent px-3 py-2 text-left hover:bg-linen aria-pressed:border-pine aria-pressed:bg-linen"
          >
            <span className="truncate font-semibold">{terms.name}</span>
            <span className="text-reed">
              {terms.kind === 'round' ? 'round' : 'drill'}, {lengthWords(terms)}
            </span>
            {minds.length > 0 && <span className="col-span-2 text-small text-brick">{minds.join(' ')}</span>}
          </button>
        </li>
      ))}
    </ul>
  );
}

const times = (value: number): string => value.toFixed(2);

/** Over all clients: which work, and which words, moved this fix. A help for choosing, never a list of people. */
function WhatMoved({ principleId }: { principleId: string }) {
  const { data } = useGetWorkEffectsQuery(principleId);
  if (!data || data.effects.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer font-semibold">What moved this fix for others</summary>
      <p className="py-1 text-small text-reed">
        Mistakes afterwards to those that were to be expected from each one’s own start; below 1 is fewer. With the 90 % interval.
      </p>
      <ul className="divide-y divide-seam border-y border-seam">
        {data.effects.map(({ of, name, clients, ratio, interval }) => (
          <li key={`${of} ${name}`} className="flex justify-between gap-4 py-1.5">
            <span className="min-w-0 truncate">{of === 'words' ? `“${name}”` : name}</span>
            <span className="shrink-0 text-reed">
              {ratio === null || !interval
                ? `too few to say (${clients} ${clients === 1 ? 'client' : 'clients'})`
                : `${times(ratio)} (${times(interval[0])} to ${times(interval[1])}), ${clients} clients`}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}

interface GivingProps {
  clientId: string;
  from: ClientWork['terms'];
  given?: ClientWork;
  principleId?: string;
  requestId?: string | null;
  fromOn: string;
}

function Giving({
  clientId,
  from,
  given,
  principleId = given?.principleId ?? undefined,
  requestId = given?.requestId ?? null,
  fromOn,
}: GivingProps) {
  const [terms, setTerms] = useState(from);
  const [day, setDay] = useState(fromOn);
  const [care, setCare] = useState('');
  const [workId] = useState(() => given?.id ?? crypto.randomUUID());
  const [give, { isLoading, error }] = useGiveWorkMutation();
  const navigate = useNavigate();
  const needsCare = (error as { fields?: { field: string }[] } | undefined)?.fields?.some(({ field }) => field === 'care') ?? false;
  const send = async (): Promise<void> => {
    const wanted = { revision: given?.revision ?? 0, principleId: principleId ?? null, requestId, terms, fromOn: day, care };
    const answer = await give({ clientId, workId, ...wanted });
    if (answer.error) return;
    toast(given ? 'Changed.' : `Given, from ${format(day, 'EEEE d MMMM')} on.`);
    void navigate(`/clients/${clientId}/work`);
  };
  return (
    <form
      aria-label={given ? 'Change work' : 'Give work'}
      className="flex flex-col gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <WorkForm terms={terms} isDone={(given?.done.length ?? 0) > 0} onChange={setTerms} />
      <div className="grid grid-cols-[12rem_1fr] gap-4">
        <Row label="From">
          <input type="date" required value={day} onChange={({ target }) => target.value && setDay(target.value)} className={lineClass} />
        </Row>
        {(needsCare || care !== '') && (
          <Row label="Why it is given although it loads what hurts">
            <input value={care} maxLength={300} onChange={({ target }) => setCare(target.value)} className={lineClass} />
          </Row>
        )}
      </div>
      <FormEnd
        error={error}
        busy={isLoading}
        says={given ? 'Keep it so' : 'Give it'}
        onLeave={() => void navigate(`/clients/${clientId}/work`)}
      />
    </form>
  );
}
