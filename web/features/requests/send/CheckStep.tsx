import { intake, type DraftStep } from '@lean-mentor/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { useNavigate } from 'react-router';
import { Button, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useSendRequestMutation } from '../api.ts';
import { FootageVerdict } from '../FootageVerdict.tsx';
import { IntakeList } from '../IntakeList.tsx';
import { PromiseLine } from './PromiseLine.tsx';
import type { StepProps } from './StepProps.ts';

const stepOf: Record<string, DraftStep> = {
  whoClient: 'who',
  whoPartner: 'who',
  kind: 'what',
  attire: 'what',
  ruleSheet: 'what',
  lengthMinutes: 'what',
  question: 'question',
  partnerConsent: 'consent',
};
const missingWords: Record<string, string> = {
  whoClient: 'Say which one you are.',
  whoPartner: 'Say which one your partner is.',
  kind: 'Say what it was.',
  attire: 'Say whether jackets were worn.',
  ruleSheet: 'Choose the rules it went by.',
  lengthMinutes: 'A round is half a minute to an hour long.',
  question: 'Write what you want to know.',
  partnerConsent: 'Ask your partner for their yes.',
};

/** What the coach will see, whether the footage can be judged, what is missing, and sending it. */
export function CheckStep({ draft, written, goTo }: StepProps) {
  const read = intake.safeParse(written.intake);
  const [send, { error, isLoading }] = useSendRequestMutation();
  const [unsaved, setUnsaved] = useState(false);
  const navigate = useNavigate();
  const guardian = useAccount()?.role === 'guardian';
  const missing = [
    ...(draft.footages.length === 0 ? [{ step: 'footage' as const, words: 'Choose the video.' }] : []),
    ...[...new Set(read.error?.issues.map((issue) => String(issue.path[0])))].map((field) => ({
      step: stepOf[field] ?? ('what' as const),
      words: missingWords[field] ?? `${field} is not complete.`,
    })),
  ];
  const sendNow = async (): Promise<void> => {
    const all = await written.flush();
    setUnsaved(!all);
    if (!all) return;
    const { data } = await send(draft.id);
    if (!data) return;
    toast(
      data.state === 'guardian'
        ? 'Your guardian has it now.'
        : data.state === 'uploading'
          ? 'It reaches your coach with the last byte of the video.'
          : 'Your coach has it.',
    );
    await navigate('/mine');
  };
  return (
    <>
      <section aria-label="Can it be judged?" className="flex flex-col gap-4">
        {draft.footages.map((footage) => (
          <FootageVerdict key={footage.id} footage={footage} named={draft.footages.length > 1} unsent />
        ))}
      </section>
      <section aria-label="What your coach will see" className="flex flex-col gap-2">
        <h2 className="font-head text-title font-medium">What your coach will see</h2>
        <IntakeList intake={{ hurts: draft.profile.hurts, ...written.intake }} footages={draft.footages} />
      </section>
      {missing.length > 0 && (
        <section aria-label="Still missing" className="border-l-4 border-pine pl-3">
          <p className="font-semibold">Still missing</p>
          <ul>
            {missing.map(({ step, words }) => (
              <li key={words}>
                <button type="button" className="linked min-h-11 text-left" onClick={() => goTo(step)}>
                  {words}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {missing.length === 0 && <PromiseLine draftId={draft.id} />}
      {(error || unsaved) && (
        <FaultNote>
          {error ? faultWords(error) : 'What you wrote has not reached the server yet; it is kept here. Try again in a moment.'}
        </FaultNote>
      )}
      <Button large disabled={missing.length > 0} busy={isLoading} onClick={() => void sendNow()}>
        {guardian ? 'Send to the coach' : 'Send'}
      </Button>
    </>
  );
}
