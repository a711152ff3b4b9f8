import type { CritiqueGlance, Request } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { Empty } from '../../shared/primitives/index.ts';
import { dayAndHour } from '../../shared/time/dayWords.ts';
import { FootageProgressLine } from '../footage/index.ts';
import { attireWords, kindWords, stateWords, UploadLine } from '../requests/index.ts';
import { BoutRibbon } from '../sheet/index.ts';

interface HistoryProps {
  requests: readonly Request[];
  critiques: readonly CritiqueGlance[];
  reader: 'coach' | 'client';
}

/** A client's way so far, newest first: what was asked, what was sent back, and the fixes given. */
export function History({ requests, critiques, reader }: HistoryProps) {
  const critiqueOf = new Map(critiques.map((critique) => [critique.requestId, critique]));
  if (requests.length === 0)
    return (
      <Empty>
        {reader === 'client' ? 'Nothing here yet. Send your first footage: one round and one question.' : 'Nothing was sent yet.'}
      </Empty>
    );
  return (
    <ol className="divide-y divide-seam border-y border-seam">
      {requests.map((request) => (
        <HistoryEntry key={request.id} request={request} critique={critiqueOf.get(request.id)} reader={reader} />
      ))}
    </ol>
  );
}

function HistoryEntry({
  request,
  critique,
  reader,
}: {
  request: Request;
  critique: CritiqueGlance | undefined;
  reader: 'coach' | 'client';
}) {
  const advice = request.footages.flatMap((footage) => footage.advice);
  const ribbons = request.footages.flatMap(({ bouts }) => bouts).filter(({ spans }) => spans.length > 0);
  return (
    <li className="grid grid-cols-[1fr_auto] gap-5 py-5" data-request={request.id}>
      <div className="flex min-w-0 flex-col gap-2">
        <p className="text-desk text-reed">
          {format(request.sentAt, 'd MMM yyyy')}, {kindWords[request.kind].toLowerCase()}, {attireWords[request.attire]}
        </p>
        <h2 className="text-read font-semibold">“{request.question}”</h2>
        {!critique && advice.length > 0 && (
          <ul aria-label="About the footage" className="text-desk text-reed">
            {advice.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
        {critique ? <Answer critique={critique} reader={reader} /> : <Waiting request={request} reader={reader} />}
        {reader === 'client' && (
          <Link to={`/requests/${request.id}`} className="linked inline-flex min-h-11 items-center self-start text-desk">
            What you sent
          </Link>
        )}
      </div>
      <div className="flex gap-1">
        {ribbons.map((bout) => (
          <BoutRibbon key={bout.id} bout={bout} width={40} height={110} />
        ))}
      </div>
    </li>
  );
}

function Answer({ critique, reader }: { critique: CritiqueGlance; reader: 'coach' | 'client' }) {
  const unread = critique.readAt === null;
  return (
    <>
      <p className="line-clamp-2 text-pretty">{critique.opening}</p>
      <ol aria-label="Fixes given">
        {critique.fixes.map((fix) => (
          <li key={fix.position} className="flex gap-2">
            <span className="time pt-0.5 text-reed">{fix.position}</span>
            <span className="line-clamp-2">{fix.name}</span>
          </li>
        ))}
      </ol>
      <p className="flex flex-wrap items-baseline gap-x-4">
        <Link to={`/critiques/${critique.id}`} className="linked inline-flex min-h-11 items-center font-semibold">
          {reader === 'client' && unread ? 'Read your critique' : 'Open the critique'}
        </Link>
        {critique.openQuestions > 0 && (
          <span className="text-desk font-semibold">
            {critique.openQuestions === 1 ? 'One question open' : `${critique.openQuestions} questions open`}
          </span>
        )}
        <span className={`text-desk ${unread ? 'font-semibold' : 'text-reed'}`}>
          {unread ? (reader === 'client' ? 'New' : 'Not read yet') : `Read ${format(critique.readAt!, 'd MMM')}`}
        </span>
      </p>
    </>
  );
}

function Waiting({ request, reader }: { request: Request; reader: 'coach' | 'client' }) {
  const { state, footages } = request;
  return (
    <>
      {footages
        .filter((footage) => footage.state !== 'removed')
        .map((footage) =>
          footage.state === 'uploading' && reader === 'client' ? (
            <UploadLine key={footage.id} footage={footage} />
          ) : (
            <FootageProgressLine key={footage.id} footage={footage} />
          ),
        )}
      <p className={`text-desk ${state === 'need-first' ? 'font-semibold' : ''}`}>
        {reader === 'coach' && (state === 'waiting' || state === 'need-first') ? (
          <Link to={`/requests/${request.id}/desk`} className="linked font-semibold">
            Open on the desk
          </Link>
        ) : (
          state !== 'draft' && stateWords[state]
        )}
        {state === 'waiting' && `, promised ${dayAndHour(request.dueAt, new Date())}`}
        {request.consentWithdrawnAt && '; the footage was removed'}
      </p>
    </>
  );
}
