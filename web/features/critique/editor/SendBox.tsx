import type { Request } from '@lean-mentor/contract';
import { mostFixes } from '@lean-mentor/core/fixes';
import { format } from 'date-fns';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { Button, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useGetCritiqueDraftQuery, useSendCritiqueMutation, type DraftState } from '../api.ts';
import type { DraftSaving } from './useDraftSaving.ts';

interface SendBoxProps {
  draft: DraftState;
  saving: DraftSaving;
  request: Request;
  fixes: number;
  minutes: number;
  first: string;
}

const things = ['no fix', 'one fix', 'two fixes', 'three fixes'];
const asRole: Readonly<Record<string, string>> = { client: 'client', guardian: 'guardian', coach: 'coach', assistant: 'assistant' };

/** Sending in one step: a summary of who gets what, and the button. */
export function SendBox({ draft: opened, saving, request, fixes, minutes, first }: SendBoxProps) {
  const { data: draft = opened } = useGetCritiqueDraftQuery(request.id);
  const [looking, setLooking] = useState(false);
  const [send, sending] = useSendCritiqueMutation();
  const navigate = useNavigate();
  const maySend = useAccount()?.role === 'coach';
  const again = draft.version > 0;
  const go = async (): Promise<void> => {
    const revision = await saving.flush();
    if (revision === null) return;
    const answer = await send({ requestId: request.id, revision });
    if (!answer.data) return;
    toast(again ? `Version ${answer.data.version} sent to ${first}.` : `Sent to ${first}.`);
    await navigate(`/critiques/${answer.data.id}`);
  };
  return (
    <section aria-label="Sending" className="flex flex-col gap-2 border-y border-seam py-3">
      {again && (
        <p className="text-small text-reed">
          Version {draft.version} went out {draft.sentAt && format(draft.sentAt, 'd MMMM, H:mm')}.{' '}
          {draft.critiqueId && (
            <Link to={`/critiques/${draft.critiqueId}`} className="linked">
              As it was sent
            </Link>
          )}
        </p>
      )}
      {!looking && (
        <Button large disabled={!maySend} onClick={() => setLooking(true)}>
          {again ? `Send a new version to ${first}` : `Send to ${first}`}
        </Button>
      )}
      {!maySend && <p className="text-small text-reed">The coach sends it.</p>}
      {looking && (
        <>
          <h2 className="text-desk">This goes to</h2>
          <ul className="text-small">
            {draft.recipients.map(({ name, role, email }) => (
              <li key={email}>
                {name}{' '}
                <span className="text-reed">
                  ({asRole[role]}, {email})
                </span>
              </li>
            ))}
            {draft.recipients.length === 0 && <li>Nobody has a sign-in for {first}: they cannot open it.</li>}
          </ul>
          <p className="text-small text-reed">
            {things[fixes] ?? `${fixes} fixes, ${mostFixes} are the most`}, about {minutes} {minutes === 1 ? 'minute' : 'minutes'}. A letter
            says that it is there and names no detail.
            {again && ' Both versions are kept, and the page shows what changed.'} It can be taken back for ten minutes.
          </p>
          {sending.error && <FaultNote>{faultWords(sending.error)}</FaultNote>}
          <span className="flex gap-2">
            <Button large busy={sending.isLoading} onClick={() => void go()}>
              Send it now
            </Button>
            <Button large look="quiet" onClick={() => setLooking(false)}>
              Not yet
            </Button>
          </span>
        </>
      )}
    </section>
  );
}
