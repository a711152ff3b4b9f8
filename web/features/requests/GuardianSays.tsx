import type { Request } from '@lean-mentor/contract';
import { useState } from 'react';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useApproveRequestMutation, useSendBackRequestMutation } from './api.ts';
import { useNavigate } from 'react-router';

/** A guardian's yes or no to what their minor wants to send. */
export function GuardianSays({ request }: { request: Request }) {
  const [approve, approving] = useApproveRequestMutation();
  const [sendBack, sendingBack] = useSendBackRequestMutation();
  const [words, setWords] = useState('');
  const navigate = useNavigate();
  const first = request.clientName.split(' ')[0];
  const fault = approving.error ?? sendingBack.error;
  return (
    <section aria-label="Your word as guardian" className="flex flex-col gap-4 border-y border-seam bg-linen px-4 py-4">
      <p>
        {first} would like to send what you see below. Nothing new of it has reached the coach. Look at the video, and make sure that
        everyone on film, and their guardians where they are under age, agree.
      </p>
      <Button large busy={approving.isLoading} onClick={() => void approve(request.id)}>
        Yes, send it to the coach
      </Button>
      <Field label="Or not like this" hint={`${first} reads this and can change it.`}>
        {(field) => (
          <textarea {...field} rows={2} maxLength={600} value={words} onChange={(e) => setWords(e.target.value)} className={inputClass} />
        )}
      </Field>
      <Button
        look="plain"
        large
        disabled={words.trim() === ''}
        busy={sendingBack.isLoading}
        onClick={() => void sendBack({ requestId: request.id, words }).then((answer) => !answer.error && navigate('/mine'))}
      >
        Give it back to {first}
      </Button>
      {fault && <FaultNote>{faultWords(fault)}</FaultNote>}
    </section>
  );
}
