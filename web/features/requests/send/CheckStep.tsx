import { FootageVerdict } from '../FootageVerdict.tsx';
import { IntakeList } from '../IntakeList.tsx';
import { missingOf } from './missing.ts';
import { PromiseLine } from './PromiseLine.tsx';
import type { StepProps } from './StepProps.ts';

/** What the coach will see, whether the footage can be judged, and what is missing before it can be sent. */
export function CheckStep({ draft, written, goTo }: StepProps) {
  const missing = missingOf(draft, written.intake);
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
    </>
  );
}
