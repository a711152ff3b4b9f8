import { useEffect, useReducer } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { FaultNote, RowsSkeleton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { AfterWork } from './AfterWork.tsx';
import { asOfNow } from './asOfNow.ts';
import { act, begin, entryOf, type Act, type Doing } from './doing.ts';
import { FromMemory } from './FromMemory.tsx';
import { RunWork } from './RunWork.tsx';
import { SetWork } from './SetWork.tsx';
import { useMyWork, useWorkOwner } from './useMyWork.ts';
import { useOutbox } from './useOutbox.ts';
import { doingShelf } from './workShelves.ts';
import { format } from 'date-fns';

/** One piece of work while it is done. It lies in the browser at every step: a page that is killed goes on where it was. */
export function DoWorkPage() {
  const { clientId = '', workId = '' } = useParams();
  const { owner, clients } = useWorkOwner();
  const client = clients.find(({ id }) => id === clientId);
  if (!client)
    return (
      <main className="mx-auto max-w-xl py-6">
        <FaultNote>This work is not on this phone. Open “My work” once where there is a network.</FaultNote>
      </main>
    );
  return <OfWork key={`${clientId}/${workId}`} owner={owner} client={client} workId={workId} />;
}

function OfWork({ owner, client, workId }: { owner: string; client: { id: string; name: string }; workId: string }) {
  const { answer: came, error, again } = useMyWork(owner, client);
  const { waiting } = useOutbox(owner);
  const before = doingShelf(owner).read();
  if (before && before.workId === workId) return <Do owner={owner} from={before} />;
  if (!came) return error ? <FaultNote again={again}>{faultWords(error)}</FaultNote> : <RowsSkeleton rows={2} />;
  const doneOn = format(new Date(), 'yyyy-MM-dd');
  const work = asOfNow(came, waiting, doneOn).work.find(({ id }) => id === workId);
  if (!work || work.state === 'stopped' || work.state === 'ended')
    return (
      <main className="mx-auto flex max-w-xl flex-col gap-4 py-6">
        <FaultNote>
          {work?.state === 'stopped'
            ? 'This rests until you and your coach have spoken about what hurts.'
            : 'This is not to be done any more.'}
        </FaultNote>
        <Link className="linked inline-flex min-h-11 items-center" to="/work">
          To my work
        </Link>
      </main>
    );
  const fresh = begin({ clientId: client.id, workId, doneWorkId: crypto.randomUUID(), doneOn, terms: work.terms });
  return <Do owner={owner} from={fresh} other={before} />;
}

/** `other`: something else that was begun here and is not finished. */
function Do({ owner, from, other = null }: { owner: string; from: Doing; other?: Doing | null }) {
  const shelf = doingShelf(owner);
  const [one, press] = useReducer((now: Doing, what: Act): Doing => act(now, what), from);
  const { outbox } = useOutbox(owner);
  const navigate = useNavigate();
  useEffect(() => {
    // What is only looked at leaves no trace.
    if (one.stage !== 'set') doingShelf(owner).put(one);
  }, [one, owner]);
  const leave = (): void => {
    shelf.clear();
    void navigate('/work');
  };
  const keep = (): void => {
    const { clientId, workId, doneWorkId } = one;
    outbox.add({ clientId, workId, doneWorkId, body: entryOf(one) });
    leave();
  };
  if (one.stage === 'set') return <SetWork one={one} other={other} press={press} />;
  if (one.stage === 'run') return <RunWork one={one} press={press} />;
  if (one.stage === 'count') return <FromMemory one={one} press={press} onDrop={leave} />;
  return <AfterWork one={one} press={press} onKeep={keep} onDrop={leave} />;
}
