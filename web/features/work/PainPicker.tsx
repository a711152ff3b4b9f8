import type { Pain } from '@lean-mentor/core/work';
import { bodyParts, isPaired, partWords, type BodyPart, type BodySide } from '@lean-mentor/core/care';
import { inputClass } from '../../shared/primitives/index.ts';

interface PainPickerProps {
  /** Null: not answered yet. */
  pains: readonly Pain[] | null;
  onChange: (pains: Pain[] | null) => void;
}

const capital = (words: string): string => words.replace(/^./, (letter) => letter.toUpperCase());
const pill = 'flex min-h-12 items-center justify-center rounded-sm border px-3 text-center font-semibold';
const pressedPill = (on: boolean): string =>
  `${pill} ${on ? 'border-brick bg-brick text-linen' : 'border-seam bg-linen hover:border-reed'}`;

/** Whether anything hurts, and where. What is named stops all work that loads it. */
export function PainPicker({ pains, onChange }: PainPickerProps) {
  const named = pains ?? [];
  const of = (part: BodyPart): Pain | undefined => named.find((one) => one.part === part);
  const toggle = (part: BodyPart): void =>
    onChange(of(part) ? named.filter((one) => one.part !== part) : [...named, { part, side: null, words: '' }]);
  const change = (part: BodyPart, fields: Partial<Pain>): void =>
    onChange(named.map((one) => (one.part === part ? { ...one, ...fields } : one)));
  const answered = pains !== null && pains.length === 0;
  return (
    <fieldset className="flex flex-col gap-3">
      <legend className="mb-2 font-semibold">Does anything hurt?</legend>
      <button
        type="button"
        aria-pressed={answered}
        onClick={() => onChange(answered ? null : [])}
        className={`${pill} ${answered ? 'border-pine bg-pine text-linen' : 'border-seam bg-linen hover:border-reed'}`}
      >
        Nothing hurts
      </button>
      <div className="grid grid-cols-2 gap-2">
        {bodyParts.map((part) => (
          <button
            key={part}
            type="button"
            aria-pressed={Boolean(of(part))}
            onClick={() => toggle(part)}
            className={pressedPill(Boolean(of(part)))}
          >
            {capital(partWords({ part, side: null }))}
          </button>
        ))}
      </div>
      {named.map((pain) => (
        <div key={pain.part} className="flex flex-col gap-2 border-l-4 border-brick pl-3">
          <p className="font-semibold">{capital(partWords(pain))}</p>
          {isPaired(pain.part) && (
            <div role="group" aria-label={`Which side: ${partWords({ part: pain.part, side: null })}`} className="grid grid-cols-3 gap-2">
              {(
                [
                  ['left', 'Left'],
                  ['right', 'Right'],
                  [null, 'Both'],
                ] as const satisfies readonly (readonly [BodySide | null, string])[]
              ).map(([side, words]) => (
                <button
                  key={words}
                  type="button"
                  aria-pressed={pain.side === side}
                  onClick={() => change(pain.part, { side })}
                  className={pressedPill(pain.side === side)}
                >
                  {words}
                </button>
              ))}
            </div>
          )}
          <input
            aria-label={`How it hurts: ${partWords({ part: pain.part, side: null })}`}
            placeholder="How, and since when"
            value={pain.words}
            maxLength={200}
            onChange={({ target }) => change(pain.part, { words: target.value })}
            className={`${inputClass} min-h-12`}
          />
        </div>
      ))}
      {named.length > 0 && (
        <p role="alert" className="border-l-4 border-brick bg-linen px-3 py-2">
          Stop here for today. Work that loads it rests until you and your coach have spoken. Pain that stays, swelling, numbness, a joint
          that gives way, or a knock to the head: see a licensed clinician. In an emergency call your local number at once.
        </p>
      )}
    </fieldset>
  );
}
