import type { IntakeDraft } from '@lean-mentor/contract';
import { Choice, Field, inputClass } from '../../../shared/primitives/index.ts';
import { ageOptions, attireOptions, kindOptions, levelOptions, ruleSheetOptions, sizeOptions } from '../words.ts';
import type { StepProps } from './StepProps.ts';

/** The rules that go with a kind and attire, as long as the client has not chosen any. */
function usualRules({ kind, attire }: IntakeDraft): IntakeDraft['ruleSheet'] {
  if (kind !== 'match') return kind && 'open-mat';
  return attire && (attire === 'jacket' ? 'points-jacket' : 'points-no-jacket');
}

const numberOrNull = (text: string): number | null => (text === '' ? null : Number(text));

/** What it was: kind, jacket, rules, length, the partner beside the client, and the event. */
export function WhatStep({ written: { intake, change } }: StepProps) {
  const choose = (fields: Pick<IntakeDraft, 'kind' | 'attire'>): void => {
    const before = usualRules(intake);
    const rules = usualRules({ ...intake, ...fields });
    change({ ...fields, ...(rules && (!intake.ruleSheet || intake.ruleSheet === before) && { ruleSheet: rules }) });
  };
  return (
    <>
      <Choice label="What was it?" value={intake.kind} options={kindOptions} onChange={(kind) => choose({ kind })} />
      <Choice label="With a jacket?" value={intake.attire} options={attireOptions} onChange={(attire) => choose({ attire })} />
      <Choice label="Which rules?" value={intake.ruleSheet} options={ruleSheetOptions} onChange={(ruleSheet) => change({ ruleSheet })} />
      <Field label="How long was one round?" hint="In minutes, as it was meant to be. Leave it empty if you do not know.">
        {(field) => (
          <input
            {...field}
            type="number"
            inputMode="decimal"
            min={0.5}
            max={60}
            step={0.5}
            value={intake.lengthMinutes ?? ''}
            onChange={(e) => change({ lengthMinutes: numberOrNull(e.target.value) })}
            className={`${inputClass} max-w-32`}
          />
        )}
      </Field>
      <p className="font-head text-title font-medium">Your partner, beside you</p>
      <Choice label="Belt" value={intake.partnerLevel} options={levelOptions} onChange={(partnerLevel) => change({ partnerLevel })} />
      <Choice label="Size" value={intake.partnerSize} options={sizeOptions} onChange={(partnerSize) => change({ partnerSize })} />
      <Choice label="Age" value={intake.partnerAge} options={ageOptions} onChange={(partnerAge) => change({ partnerAge })} />
      {intake.kind === 'match' && (
        <Field label="At which event?" hint="If it has a name.">
          {(field) => (
            <input
              {...field}
              maxLength={120}
              value={intake.event ?? ''}
              onChange={(e) => change({ event: e.target.value })}
              className={inputClass}
            />
          )}
        </Field>
      )}
      <Field label="On which day?">
        {(field) => (
          <input
            {...field}
            type="date"
            value={intake.eventOn ?? ''}
            onChange={(e) => change({ eventOn: e.target.value || null })}
            className={`${inputClass} max-w-48`}
          />
        )}
      </Field>
    </>
  );
}
