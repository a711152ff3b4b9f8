import { rankParts, schoolNames, schools, type RankPart } from '@lean-mentor/core/fixes';
import { RadioGroup } from 'radix-ui';
import { partNames } from './partWords.ts';
import type { LadderHand } from './useLadder.ts';

const look =
  'rounded-sm border border-seam px-2.5 py-1 text-small hover:border-reed data-[state=checked]:border-pine data-[state=checked]:bg-pine data-[state=checked]:text-linen';

/** By which school the candidates are ranked; switching re-sorts them at once. */
export function SchoolSwitch({ hand: { choice, own, school, change, weigh } }: { hand: LadderHand }) {
  const setWeight = (part: RankPart, weight: number): void => weigh({ ...own, weights: { ...own.weights, [part]: weight } });
  return (
    <div className="flex flex-col gap-2">
      <RadioGroup.Root
        aria-label="School"
        value={choice.school}
        onValueChange={(value) => change({ school: value as typeof choice.school })}
        className="flex flex-wrap gap-1.5"
      >
        {schoolNames.map((name) => (
          <RadioGroup.Item key={name} value={name} className={look}>
            {schools[name].name}
          </RadioGroup.Item>
        ))}
        <RadioGroup.Item value="own" className={look}>
          My own
        </RadioGroup.Item>
      </RadioGroup.Root>
      <p className="text-small text-reed">{school.words}</p>
      {choice.school === 'own' && (
        <div role="group" aria-label="Your own weights" className="grid grid-cols-5 gap-4 border-y border-seam py-3 text-small">
          {rankParts.map((part) => (
            <label key={part} className="flex flex-col gap-1" title={partNames[part].words}>
              <span>
                {partNames[part].word} <span className="time">{own.weights[part].toFixed(2)}</span>
              </span>
              <input
                type="range"
                min={0}
                max={1}
                step={0.05}
                value={own.weights[part]}
                onChange={({ target }) => setWeight(part, Number(target.value))}
              />
            </label>
          ))}
          <label className="col-span-2 flex flex-col gap-1">
            <span>
              Carried back to each cause <span className="time">{own.share.toFixed(2)}</span>
            </span>
            <input
              type="range"
              min={0}
              max={1}
              step={0.05}
              value={own.share}
              onChange={({ target }) => weigh({ ...own, share: Number(target.value) })}
            />
          </label>
          <label className="col-span-2 flex flex-col gap-1">
            <span>
              A missed chance counts <span className="time">{own.missedChance.toFixed(2)}</span>
            </span>
            <input
              type="range"
              min={0.5}
              max={3}
              step={0.25}
              value={own.missedChance}
              onChange={({ target }) => weigh({ ...own, missedChance: Number(target.value) })}
            />
          </label>
        </div>
      )}
    </div>
  );
}
