import { rankParts, type RankedFix, type School } from '@lean-mentor/core/fixes';
import { partNames } from './partWords.ts';

/** Every part of a score: how much of it there is, and how much the school lets it weigh. The dark of a bar is what it adds. */
export function PartBars({ fix, school }: { fix: RankedFix; school: School }) {
  const most = Math.max(...rankParts.map((part) => school.weights[part]));
  return (
    <dl className="flex items-end gap-2 text-tiny">
      {rankParts.map((part) => {
        const [weight, value] = [school.weights[part], fix.parts[part]];
        return (
          <div key={part} className="w-11" title={`${partNames[part].words}: ${value.toFixed(2)} × ${weight.toFixed(2)}`}>
            <dt className="text-reed">{partNames[part].word}</dt>
            <dd>
              <span className="block h-1.5 bg-seam" style={{ width: `${most > 0 ? (weight / most) * 100 : 0}%` }}>
                <span className="block h-full bg-ink" style={{ width: `${value * 100}%` }} />
              </span>
              <span className="time">{(weight * value).toFixed(2)}</span>
            </dd>
          </div>
        );
      })}
      <div className="pl-1">
        <dt className="text-reed">{fix.teachable < 1 ? 'Sum × ½' : 'Sum'}</dt>
        <dd className="time text-small" title={fix.teachable < 1 ? 'Two levels or more above this client: counted half' : undefined}>
          {fix.score.toFixed(2)}
        </dd>
      </div>
    </dl>
  );
}
