import { rankParts, schoolNames, schools, type RankPart } from '@lean-mentor/core/fixes';
import { RadioGroup } from 'radix-ui';
import { partNames } from './partWords.ts';
import type { LadderControls } from './useLadder.ts';

const look =
  'rounded-sm border border-seam px-2.5 py-1 text-small hover:border-reed data-[state=checked]:border-pine data-[state=checked]:bg-pine data-[state=checked]:text-linen';

interface SliderProps {
  words: string;
  title?: string;
  value: number;
  range: readonly [min: number, max: number, step: number];
  wide?: boolean;
  onChange: (value: number) => void;
}

function Slider({ words, title, value, range: [min, max, step], wide = false, onChange }: SliderProps) {
  return (
    <label className={`flex flex-col gap-1 ${wide ? 'col-span-2' : ''}`} title={title}>
      <span>
        {words} <span className="time">{value.toFixed(2)}</span>
      </span>
      <input type="range" min={min} max={max} step={step} value={value} onChange={({ target }) => onChange(Number(target.value))} />
    </label>
  );
}

/** By which school the candidates are ranked; switching re-sorts them at once. */
export function SchoolSwitch({ deciding: { choice, own, school, change, weigh } }: { deciding: LadderControls }) {
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
            <Slider
              key={part}
              words={partNames[part].word}
              title={partNames[part].words}
              value={own.weights[part]}
              range={[0, 1, 0.05]}
              onChange={(value) => setWeight(part, value)}
            />
          ))}
          <Slider
            wide
            words="Carried back to each cause"
            value={own.share}
            range={[0, 1, 0.05]}
            onChange={(share) => weigh({ ...own, share })}
          />
          <Slider
            wide
            words="A missed chance counts"
            value={own.missedChance}
            range={[0.5, 3, 0.25]}
            onChange={(missedChance) => weigh({ ...own, missedChance })}
          />
        </div>
      )}
    </div>
  );
}
