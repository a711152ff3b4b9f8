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
      <p className="border-l-4 border-brick pl-3 text-desk">
        Your coach minds what you say here and is no clinician. After a knock to the head, or with pain that stays, see a licensed clinician
        before you train.
      </p>
    </>
  );
}
