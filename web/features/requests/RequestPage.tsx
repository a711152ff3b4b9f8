import type { Request } from '@lean-mentor/contract';
import { Fetched } from '../../shared/fetched/index.ts';
import { format } from 'date-fns';
import { Link, useParams } from 'react-router';
import { useAccount } from '../access/index.ts';
import { RequestLimits } from '../care/index.ts';
import { useGetRequestQuery } from './api.ts';
import { AnswerFirst } from './AnswerFirst.tsx';
import { Exchange } from './Exchange.tsx';
import { FootageVerdict } from './FootageVerdict.tsx';
import { GuardianSays } from './GuardianSays.tsx';
import { IntakeList } from './IntakeList.tsx';
import { TakeBack } from './TakeBack.tsx';
import { UploadLine } from './UploadLine.tsx';
import { stateWords } from './words.ts';

/** One request as its client, and their guardian, see it: what was sent, where it stands, and what can still be done. */
export function RequestPage() {
  const { requestId = '' } = useParams();
  const fetched = useGetRequestQuery(requestId, { refetchOnMountOrArgChange: true });
  return (
    <main className="mx-auto max-w-md py-6">
      <Fetched of={fetched}>{(data) => <SentRequest request={data} />}</Fetched>
    </main>
  );
}

function SentRequest({ request }: { request: Request }) {
  const role = useAccount()?.role;
  const { state, footages } = request;
  const present = footages.filter((footage) => footage.state !== 'removed');
  return (
    <div className="flex flex-col gap-6">
      <header>
        <p className="text-desk text-reed">
          {request.clientName}, {format(request.sentAt, 'd MMMM yyyy')}
        </p>
        <h1 className="text-title">{state === 'draft' ? '' : stateWords[state]}</h1>
        {state === 'waiting' && (
          <p className="text-desk text-reed">
            {request.saidByAt && `In eight of ten cases by ${format(request.saidByAt, 'EEEE d MMMM, H:mm')}; promised `}
            {!request.saidByAt && 'Promised '}
            by {format(request.dueAt, 'EEEE d MMMM, H:mm')} at the latest.
          </p>
        )}
        {request.critiqueId && (
          <Link to={`/critiques/${request.critiqueId}`} className="linked font-semibold">
            Open the critique
          </Link>
        )}
      </header>
      {request.consentWithdrawnAt && (
        <p className="border-l-4 border-pine pl-3">
          On {format(request.consentWithdrawnAt, 'd MMMM yyyy')} the partner’s consent was taken back: the footage, its copies and the
          stills were removed for good. What was written stays.
        </p>
      )}
      {state === 'guardian' && role === 'guardian' && <GuardianSays request={request} />}
      <Exchange exchange={request.exchange} />
      {state === 'need-first' && <AnswerFirst request={request} />}
      <IntakeList intake={request} footages={footages} />
      <RequestLimits request={request} large />
      {present.map((footage) =>
        footage.state === 'uploading' ? (
          <div key={footage.id}>
            <p className="truncate font-semibold">{footage.fileName}</p>
            <UploadLine footage={footage} />
          </div>
        ) : (
          <FootageVerdict key={footage.id} footage={footage} named={present.length > 1} />
        ),
      )}
      {present.some((footage) => footage.state === 'ready') && (
        <Link to={`/requests/${request.id}/footage`} className="linked inline-flex min-h-11 items-center self-start font-semibold">
          Look at the video and its bouts
        </Link>
      )}
      <TakeBack request={request} />
    </div>
  );
}
