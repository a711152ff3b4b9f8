import { draftSteps, type Draft, type DraftStep } from '@lean-mentor/contract';
import { useEffect, useRef } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../../shared/fetched/index.ts';
import { savingWords } from '../../../shared/keeping/index.ts';
import { Button, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useDiscardDraftMutation, useListDraftsQuery } from '../api.ts';
import { UploadsGlance } from '../UploadsGlance.tsx';
import { stopUpload } from '../uploads.ts';
import { stepAfter, stepWords } from '../words.ts';
import { CheckStep } from './CheckStep.tsx';
import { ConsentStep } from './ConsentStep.tsx';
import { FootageStep } from './FootageStep.tsx';
import { HurtsStep } from './HurtsStep.tsx';
import { QuestionStep } from './QuestionStep.tsx';
import { SendNow } from './SendNow.tsx';
import type { StepProps } from './StepProps.ts';
import { useDraft } from './useDraft.ts';
import { WhatStep } from './WhatStep.tsx';
import { WhoStep } from './WhoStep.tsx';

const steps: Record<DraftStep, (props: StepProps) => React.ReactNode> = {
  footage: FootageStep,
  who: WhoStep,
  what: WhatStep,
  question: QuestionStep,
  hurts: HurtsStep,
  consent: ConsentStep,
  check: CheckStep,
};

/** Sending footage step by step; saved as it happens, left and taken up again at will. */
export function DraftPage() {
  const { draftId = '' } = useParams();
  const fetched = useListDraftsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = fetched;
  const draft = data?.drafts.find(({ id }) => id === draftId);
  return (
    <main className="mx-auto max-w-md py-4">
      <Fetched of={fetched} />
      {data && !draft && (
        <p>
          This has been sent or thrown away.{' '}
          <Link to={`/requests/${draftId}`} className="linked inline-flex min-h-11 items-center">
            What you sent
          </Link>{' '}
          <Link to="/mine" className="linked">
            My critiques
          </Link>
        </p>
      )}
      {draft && <DraftInSteps key={draft.id} draft={draft} />}
    </main>
  );
}

function DraftInSteps({ draft }: { draft: Draft }) {
  const written = useDraft(draft);
  const Step = steps[written.step];
  const heading = useRef<HTMLHeadingElement>(null);
  const goTo = (step: DraftStep): void => {
    written.goTo(step);
    scrollTo(0, 0);
  };
  const entered = useRef(written.step);
  useEffect(() => {
    if (entered.current === written.step) return;
    entered.current = written.step;
    heading.current?.focus();
  }, [written.step]);
  const [before, after] = [stepAfter(written.step, -1), stepAfter(written.step, 1)];
  const sentBack = draft.exchange.findLast(({ kind }) => kind === 'sent-back');
  return (
    <>
      <p className="flex justify-between text-desk text-reed">
        <span>
          {draftSteps.indexOf(written.step) + 1} of {draftSteps.length}
        </span>
        <span aria-live="polite" className={written.keeping.fault ? 'font-semibold text-brick' : ''}>
          {savingWords(written.keeping)}
        </span>
      </p>
      <nav aria-label="Steps" className="mb-4 flex">
        {draftSteps.map((step) => (
          <button
            key={step}
            type="button"
            title={stepWords[step]}
            aria-label={stepWords[step]}
            aria-current={step === written.step ? 'step' : undefined}
            onClick={() => goTo(step)}
            className="group flex h-8 grow items-center px-0.5"
          >
            <span className="h-1 w-full bg-seam group-aria-[current]:h-2 group-aria-[current]:bg-pine" />
          </button>
        ))}
      </nav>
      <h1 ref={heading} tabIndex={-1} className="mb-5 text-banner outline-none">
        {stepWords[written.step]}
      </h1>
      {sentBack && (
        <p className="mb-5 border-l-4 border-pine pl-3">
          {sentBack.byName} sent it back: “{sentBack.words}”
        </p>
      )}
      <div className="flex flex-col gap-6">
        <Step draft={draft} written={written} goTo={goTo} />
      </div>
      {written.step !== 'footage' && <UploadsGlance footages={draft.footages} />}
      <div className="sticky bottom-16 mt-8 flex flex-wrap items-center justify-between gap-3 border-t border-seam bg-straw py-3">
        {before ? (
          <Button look="plain" large onClick={() => goTo(before)}>
            Back
          </Button>
        ) : (
          <span />
        )}
        {after ? (
          <Button large onClick={() => goTo(after)}>
            Go on
          </Button>
        ) : (
          <SendNow draft={draft} written={written} />
        )}
      </div>
      <Discard draft={draft} />
    </>
  );
}

function Discard({ draft }: { draft: Draft }) {
  const [discard, { isLoading, error }] = useDiscardDraftMutation();
  const navigate = useNavigate();
  const now = async (): Promise<void> => {
    if (!confirm('Throw this away, with its videos? It cannot be brought back.')) return;
    for (const { id } of draft.footages) stopUpload(id);
    const answer = await discard(draft.id);
    if (answer.error) return;
    toast('Thrown away.');
    await navigate('/mine');
  };
  return (
    <div className="mt-6 flex flex-col items-start gap-2">
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button look="quiet" className="min-h-11" busy={isLoading} onClick={() => void now()}>
        Throw it away
      </Button>
    </div>
  );
}
