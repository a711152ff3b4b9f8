import { limitText, proposedLimits } from '@lean-mentor/core/care';
import { Checkbox } from 'radix-ui';
import { Check } from 'lucide-react';
import { Field, inputClass } from '../../../shared/primitives/index.ts';
import type { StepProps } from './StepProps.ts';

/** What hurts: today's words on top, then what the profile says and still holds. */
export function HurtsStep({ draft, written: { intake, change } }: StepProps) {
  const known = draft.profile.hurts;
  const holds = intake.hurts ?? known;
  return (
    <>
      <Field label="Anything new today?" hint="A knock, a strain, what you cannot do at present. Leave it empty if there is nothing.">
        {(field) => (
          <textarea
            {...field}
            rows={2}
            maxLength={300}
            value={intake.hurtsToday ?? ''}
            onChange={(e) => change({ hurtsToday: e.target.value })}
            className={inputClass}
          />
        )}
      </Field>
      {(intake.hurtsToday ?? '').trim() !== '' && <ReadFrom words={intake.hurtsToday!} whose="you" />}
      {known.length > 0 && (
        <fieldset className="flex flex-col gap-1">
          <legend className="mb-1 font-semibold">Your profile says this hurts. Does it still?</legend>
          {known.map((words) => (
            <label key={words} className="flex min-h-12 items-center gap-3">
              <Checkbox.Root
                checked={holds.includes(words)}
                onCheckedChange={(on) => change({ hurts: on === true ? [...holds, words] : holds.filter((w) => w !== words) })}
                className="flex size-7 items-center justify-center rounded-sm border border-reed bg-linen data-[state=checked]:border-pine data-[state=checked]:bg-pine data-[state=checked]:text-linen"
              >
                <Checkbox.Indicator>
                  <Check size={18} />
                </Checkbox.Indicator>
              </Checkbox.Root>
              {words}
            </label>
          ))}
        </fieldset>
      )}
      <Field label="Does anything hurt the other one on the film?" hint="As far as you know: what is advised here is tried on somebody.">
        {(field) => (
          <textarea
            {...field}
            rows={2}
            maxLength={300}
            value={intake.partnerHurts ?? ''}
            onChange={(e) => change({ partnerHurts: e.target.value })}
            className={inputClass}
          />
        )}
      </Field>
      {(intake.partnerHurts ?? '').trim() !== '' && <ReadFrom words={intake.partnerHurts!} whose="them" />}
      <p className="border-l-4 border-brick pl-3 text-desk">
        Your coach minds what you say here and is no clinician. After a knock to the head, or with pain that stays, see a licensed clinician
        before you train.
      </p>
    </>
  );
}

/** What is read from free words, so that who wrote them can say it more closely. */
function ReadFrom({ words, whose }: { words: string; whose: 'you' | 'them' }) {
  const limits = words
    .split('\n')
    .filter((line) => line.trim() !== '')
    .flatMap(proposedLimits);
  return (
    <p role="status" className="-mt-2 text-desk">
      {limits.length === 0 ? (
        `No part of the body is read from this. Name it, if something of ${whose === 'you' ? 'yours' : 'theirs'} is to be spared.`
      ) : (
        <>
          To be spared: <strong>{limits.map(limitText).join('; ')}</strong>. If that is not so, say it more closely.
        </>
      )}
    </p>
  );
}
