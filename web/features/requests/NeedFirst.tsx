import { useState } from 'react';
import { toast } from 'sonner';
import { Button, Choice, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAskFirstMutation } from './api.ts';

const needs = [
  { value: 'footage', words: 'Other footage', hint: 'Nearer, longer, brighter.' },
  { value: 'context', words: 'To know something', hint: 'What the film does not show.' },
] as const;

/** The coach cannot answer yet: says what is needed, and the clock of the promise stands until the client has answered. */
export function NeedFirst({ requestId, clientName, onAsked }: { requestId: string; clientName: string; onAsked?: () => void }) {
  const [need, setNeed] = useState<'footage' | 'context'>('footage');
  const [words, setWords] = useState('');
  const [ask, { error, isLoading }] = useAskFirstMutation();
  const first = clientName.split(' ')[0];
  const send = async (): Promise<void> => {
    const answer = await ask({ requestId, need, words });
    if (answer.error) return;
    toast(`Asked ${first}. The clock stands.`);
    onAsked?.();
  };
  return (
    <div className="flex flex-col gap-4">
      <Choice label="What do you need first?" value={need} options={needs} onChange={setNeed} />
      <Field label={`In words to ${first}`} hint={`The promised date stands still until ${first} answers.`}>
        {(field) => (
          <textarea {...field} rows={3} maxLength={600} value={words} onChange={(e) => setWords(e.target.value)} className={inputClass} />
        )}
      </Field>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button className="self-start" disabled={words.trim() === ''} busy={isLoading} onClick={() => void send()}>
        Ask {first} first
      </Button>
    </div>
  );
}
