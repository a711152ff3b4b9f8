import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { promisesKept } from '@lean-mentor/core/queue';
import { clopperPearson } from '@lean-mentor/core/statistics';
import { Link } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty, TableHead } from '../../shared/primitives/index.ts';
import { dayAndHour } from '../../shared/time/dayWords.ts';
import { useGetPromisesQuery } from './api.ts';

type Promises = ResponseOf<typeof contract.getPromises>['promises'];

/** What was promised, and what came of it. */
export function PromisesPart() {
  const fetched = useGetPromisesQuery(undefined, { refetchOnMountOrArgChange: true });
  return <Fetched of={fetched}>{({ promises }) => <Kept promises={promises} />}</Fetched>;
}

const at = (instant: string | null): number | null => (instant === null ? null : Date.parse(instant));

function Kept({ promises }: { promises: Promises }) {
  const now = new Date();
  const { said, held, due, kept } = promisesKept(
    promises.map((p) => ({ saidByAt: at(p.saidByAt), dueAt: Date.parse(p.dueAt), moved: p.movedAt !== null, sentAt: at(p.sentAt) })),
    now.getTime(),
  );
  if (promises.length === 0) return <Empty>Nothing has been promised yet. A promise is made when a client’s footage is complete.</Empty>;
  return (
    <div className="flex flex-col gap-8">
      <section aria-label="Eight in ten" className="flex flex-col gap-3">
        <h2 className="border-t border-ink pt-2 text-desk">What was said to hold in eight of ten cases</h2>
        {said === 0 ? (
          <p className="text-reed">No such promise has come to its end yet.</p>
        ) : (
          <>
            <p className="text-read">
              {held} of {said} held. {reliabilityWords(held, said)}
            </p>
            <Reliability held={held} said={said} />
          </>
        )}
        <p className="text-reed">Promises that were moved, by a pause of yours or a question to the client, are not counted here.</p>
      </section>
      <section aria-label="At the latest" className="flex flex-col gap-2">
        <h2 className="border-t border-ink pt-2 text-desk">What was promised at the latest</h2>
        <p className="text-read">{due === 0 ? 'None has come to its end yet.' : `${kept} of ${due} were kept.`}</p>
        <PromiseTable promises={promises} now={now} />
      </section>
    </div>
  );
}

const promisedShare = 0.8;

/** Whether what was counted fits with eight in ten, by the exact 90 % interval of the share (Clopper and Pearson). */
function reliabilityWords(held: number, said: number): string {
  const [low, high] = clopperPearson(held, said);
  if (high < promisedShare) return 'Fewer than eight in ten: what is foreseen is too early for you, or too much comes in between.';
  if (low > promisedShare) return 'More than eight in ten: you could promise earlier.';
  return 'That fits with eight in ten.';
}

/** The share that held, with its interval, on a line from none to all; a mark stands at eight in ten. */
function Reliability({ held, said }: { held: number; said: number }) {
  const [low, high] = clopperPearson(held, said);
  const x = (share: number): string => `${share * 100}%`;
  return (
    <div
      role="img"
      aria-label={`${Math.round((held / said) * 100)} % held, between ${Math.round(low * 100)} and ${Math.round(high * 100)} %; eight in ten were promised`}
      className="relative h-16 max-w-xl"
    >
      <span className="absolute inset-x-0 top-6 border-t border-seam" />
      <span className="absolute top-[23px] h-[3px] bg-pine opacity-45" style={{ left: x(low), width: x(high - low) }} />
      <span className="absolute top-[18px] -ml-[6px] size-3 rounded-full bg-pine" style={{ left: x(held / said) }} />
      <span className="absolute top-3 h-6 border-l-2 border-ink" style={{ left: x(promisedShare) }} />
      <span className="absolute top-10 -translate-x-1/2 text-small whitespace-nowrap text-reed" style={{ left: x(promisedShare) }}>
        eight in ten
      </span>
      <span className="absolute top-10 left-0 text-small text-reed">none</span>
      <span className="absolute top-10 right-0 text-small text-reed">all</span>
    </div>
  );
}

/** Promises looked at in full; older ones are counted above. */
const mostShown = 60;

function PromiseTable({ promises, now }: { promises: Promises; now: Date }) {
  return (
    <table className="w-full text-left">
      <TableHead columns={['Client', 'Complete', 'Eight in ten by', 'At the latest', 'Sent']} />
      <tbody className="divide-y divide-seam border-y border-seam">
        {promises.slice(0, mostShown).map(({ requestId, clientName, readyAt, saidByAt, dueAt, movedAt, sentAt }) => {
          const broken = (sentAt ?? now.toISOString()) > dueAt;
          return (
            <tr key={requestId}>
              <td className="py-1.5 pr-4">
                <Link to={`/requests/${requestId}/desk`} className="linked">
                  {clientName}
                </Link>
              </td>
              <td className="pr-4">{dayAndHour(readyAt, now)}</td>
              <td className="pr-4">
                {saidByAt ? dayAndHour(saidByAt, now) : '–'}
                {movedAt && <span className="text-small text-reed"> moved</span>}
              </td>
              <td className="pr-4">{dayAndHour(dueAt, now)}</td>
              <td className={broken ? 'font-semibold text-brick' : ''}>
                {sentAt ? dayAndHour(sentAt, now) : 'waits'}
                {broken && ', late'}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
