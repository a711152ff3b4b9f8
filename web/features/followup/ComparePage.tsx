import type { Request, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { compareRequests, type Difference, type WholeRequest } from '@lean-mentor/core/followup';
import { addStats, asMeant, boutStats, boutUsage } from '@lean-mentor/core/scoring';
import { format } from 'date-fns';
import { Link, useParams, useSearchParams } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty, Select, smallSelect, TableHead } from '../../shared/primitives/index.ts';
import { useGetClientBoutsQuery } from '../scoring/index.ts';
import { BoutRibbon } from '../sheet/index.ts';
import { useGetClientHistoryQuery } from './api.ts';
import { PositionBars } from './PositionBars.tsx';

type ClientBout = ResponseOf<typeof contract.getClientBouts>['bouts'][number];

/** How long it was meant to be makes no difference to what is counted. */
const noLength = { boutSeconds: null };

function wholeOf(bouts: readonly ClientBout[]): WholeRequest {
  const taps = (athlete: 'client' | 'partner'): number =>
    bouts.reduce((sum, { timed }) => sum + timed.events.filter((event) => event.kind === 'finish' && event.athlete === athlete).length, 0);
  return {
    stats: addStats(bouts.map((bout) => boutStats(asMeant(bout.timed, bout, boutUsage(bout.said, noLength)), { awards: [] }))),
    taps: { client: taps('client'), partner: taps('partner') },
  };
}

/** Two requests of a client as a whole: ribbon beside ribbon, and what differs by more than chance first. */
export function ComparePage() {
  const { clientId = '' } = useParams();
  const history = useGetClientHistoryQuery(clientId);
  const bouts = useGetClientBoutsQuery(clientId);
  if (!history.data) return <Fetched of={history} className="py-8" />;
  if (!bouts.data) return <Fetched of={bouts} className="py-8" />;
  const coded = history.data.requests.filter(({ id }) =>
    bouts.data!.bouts.some((bout) => bout.requestId === id && bout.timed.spans.length > 0),
  );
  return (
    <main className="flex flex-col gap-8 py-8">
      <header>
        <Link className="linked" to={`/clients/${clientId}`}>
          {history.data.client.name}
        </Link>
        <h1 className="text-banner">Two requests beside one another</h1>
      </header>
      {coded.length < 2 ? (
        <Empty>
          Two requests whose positions are coded are needed; {coded.length === 1 ? 'one is' : 'none is'}. They are coded on the desk.
        </Empty>
      ) : (
        <Compared requests={coded} bouts={bouts.data.bouts} />
      )}
    </main>
  );
}

/** Newest first. */
function Compared({ requests, bouts }: { requests: readonly Request[]; bouts: readonly ClientBout[] }) {
  const [search, setSearch] = useSearchParams();
  const of = (name: 'later' | 'earlier', otherwise: number): Request =>
    requests.find(({ id }) => id === search.get(name)) ?? requests[otherwise]!;
  const [earlier, later] = [of('earlier', 1), of('later', 0)];
  const choose = (name: 'later' | 'earlier', id: string): void => setSearch({ earlier: earlier.id, later: later.id, [name]: id });
  const whole = (request: Request): WholeRequest => wholeOf(bouts.filter(({ requestId }) => requestId === request.id));
  const [before, after] = [whole(earlier), whole(later)];
  const differences = compareRequests(before, after);
  const positions = [
    { request: earlier, stats: before.stats },
    { request: later, stats: after.stats },
  ].map(({ request, stats }) => ({ requestId: request.id, sentAt: request.sentAt, minutes: stats.clockSeconds / 60, time: stats.time }));
  const beyond = differences.filter(({ beyondChance }) => beyondChance);
  return (
    <>
      <div className="grid grid-cols-2 gap-10">
        {(
          [
            ['earlier', earlier],
            ['later', later],
          ] as const
        ).map(([name, request]) => (
          <OneRequest key={name} name={name} request={request} requests={requests} onChoose={(id) => choose(name, id)} />
        ))}
      </div>
      {earlier.id === later.id ? (
        <p className="text-reed">This is the same request twice.</p>
      ) : (
        <>
          <section aria-label="What differs">
            <h2 className="mb-1 text-read">{beyond.length === 0 ? 'Nothing differs by more than chance' : 'More than chance'}</h2>
            <p className="mb-2 text-small text-reed">
              Exact tests over everything below, held to one wrong family in ten (Holm).{' '}
              {beyond.length === 0 && 'Two rounds are little mat time; that is the usual answer.'}
            </p>
            {beyond.length > 0 && <DifferenceTable rows={beyond} />}
          </section>
          <section aria-label="The rest">
            <h2 className="mb-1 text-read">The rest, as it was counted</h2>
            <DifferenceTable rows={differences.filter(({ beyondChance }) => !beyondChance)} />
          </section>
          <section aria-label="Time">
            <h2 className="mb-1 text-read">Where the time went</h2>
            <p className="mb-2 text-small text-reed">Shown, not tested: seconds in one place hang together.</p>
            <PositionBars positions={positions} />
          </section>
        </>
      )}
    </>
  );
}

interface OneRequestProps {
  name: 'earlier' | 'later';
  request: Request;
  requests: readonly Request[];
  onChoose: (id: string) => void;
}

function OneRequest({ name, request, requests, onChoose }: OneRequestProps) {
  const ribbons = request.footages.flatMap(({ bouts }) => bouts).filter(({ spans }) => spans.length > 0);
  return (
    <section aria-label={name === 'earlier' ? 'The earlier one' : 'The later one'} className="flex gap-6 border-t border-ink pt-3">
      <div className="flex min-w-0 grow flex-col gap-1">
        <Select
          label={name === 'earlier' ? 'Which is the earlier' : 'Which is the later'}
          value={request.id}
          options={requests.map(({ id, sentAt, question }) => ({ value: id, words: `${format(sentAt, 'd MMM yyyy')}: ${question}` }))}
          onChange={onChoose}
          className={`${smallSelect} w-full`}
        />
        <p className="text-read">“{request.question}”</p>
        <p className="text-small text-reed">{format(request.sentAt, 'd MMMM yyyy')}</p>
      </div>
      <div className="flex gap-3">
        {ribbons.map((bout) => (
          <BoutRibbon key={bout.id} bout={bout} width={64} height={220} />
        ))}
      </div>
    </section>
  );
}

const chanceWords = (p: number | null): string =>
  p === null ? 'nothing to compare' : p >= 0.995 ? 'no difference' : `p ${p < 0.001 ? '< 0.001' : p.toFixed(p < 0.1 ? 3 : 2)}`;

function DifferenceTable({ rows }: { rows: readonly Difference[] }) {
  return (
    <table className="w-full text-left">
      <TableHead columns={['What', 'Earlier', 'Later', { right: 'By chance' }]} />
      <tbody>
        {rows.map(({ what, earlier, later, p }) => (
          <tr key={what} className="border-t border-seam">
            <th scope="row" className="py-1.5 pr-4 font-normal">
              {what}
            </th>
            <td className="time py-1.5 pr-4 text-small">{earlier}</td>
            <td className="time py-1.5 pr-4 text-small">{later}</td>
            <td className="py-1.5 text-right text-small text-reed">{chanceWords(p)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
