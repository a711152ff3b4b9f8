import type { Request } from '@lean-mentor/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAnswerFirstMutation, useRemoveFootageMutation } from './api.ts';
import { AddFiles } from './send/AddFiles.tsx';
import { stopUpload } from './uploads.ts';

/** The client answers what the coach needs first: with words, and with other footage where that was asked for. */
export function AnswerFirst({ request }: { request: Request }) {
  const [words, setWords] = useState('');
  const [answer, { error, isLoading }] = useAnswerFirstMutation();
  const [remove, removing] = useRemoveFootageMutation();
  const asked = request.exchange.findLast(({ kind }) => kind === 'need-footage' || kind === 'need-context');
  const present = request.footages.filter(({ state }) => state !== 'removed');
  const send = async (): Promise<void> => {
    if ((await answer({ requestId: request.id, words })).error) return;
    toast('Your coach has your answer.');
  };
  return (
    <section aria-label="Your answer" className="flex flex-col gap-4 border-y border-seam bg-linen px-4 py-4">
      {asked?.kind === 'need-footage' && (
        <>
          <AddFiles requestId={request.id} more />
          {present.length > 1 &&
            present.map((footage) => (
              <Button
                key={footage.id}
                look="quiet"
                className="min-h-11 self-start"
                onClick={() => {
                  stopUpload(footage.id);
                  void remove({ requestId: request.id, footageId: footage.id });
                }}
              >
                Take {footage.fileName} away
              </Button>
            ))}
        </>
      )}
      <Field label="Your answer" hint="The promised date goes on from here.">
        {(field) => (
          <textarea {...field} rows={3} maxLength={600} value={words} onChange={(e) => setWords(e.target.value)} className={inputClass} />
        )}
      </Field>
      {(error ?? removing.error) && <FaultNote>{faultWords(error ?? removing.error)}</FaultNote>}
      <Button large disabled={words.trim() === ''} busy={isLoading} onClick={() => void send()}>
        Answer
      </Button>
    </section>
  );
}
