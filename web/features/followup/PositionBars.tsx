import { placeWords, positionFamily, sideNames } from '@lean-mentor/core/scoring';
import { format } from 'date-fns';
import type { Progress } from './api.ts';

type Request = Progress['positions'][number];

/** Where time can go, from the client in control to the partner in control. */
const parts = [
  { key: 'client-pin', words: 'holding a pin or the back', className: 'bg-client' },
  { key: 'client-guard', words: 'on top of a guard', className: 'bg-client/55' },
  { key: 'even', words: 'even', className: 'bg-seam' },
  { key: 'partner-guard', words: 'playing guard', className: 'bg-partner/55' },
  { key: 'partner-pin', words: 'under a pin', className: 'bg-partner' },
] as const;

function partOf({ position, holder }: Request['time'][number]): (typeof parts)[number]['key'] {
  if (holder === null) return 'even';
  return `${holder}-${positionFamily(position) === 'guard' ? 'guard' : 'pin'}`;
}

const listed = (time: Request['time']): string =>
  time
    .slice(0, 6)
    .map(({ position, holder, seconds }) => `${placeWords({ position, holder }, sideNames)} ${Math.round(seconds)} s`)
    .join(', ');

/** Where the time of each reviewed request went, one bar under the other. */
export function PositionBars({ positions }: { positions: readonly Request[] }) {
  const coded = positions.filter(({ time }) => time.length > 0);
  if (coded.length === 0) return <p className="text-reed">Positions appear here once they are coded on the desk.</p>;
  return (
    <div className="flex flex-col gap-2">
      <ol className="flex flex-col gap-1">
        {coded.map(({ requestId, sentAt, minutes, time }) => {
          const all = time.reduce((sum, { seconds }) => sum + seconds, 0);
          return (
            <li key={requestId} className="grid grid-cols-[4.5rem_1fr_3.5rem] items-center gap-3 text-small" title={listed(time)}>
              <span className="text-reed">{format(sentAt, 'd MMM')}</span>
              <span className="flex h-4">
                {parts.map(({ key, words, className }) => {
                  const share = time.filter((one) => partOf(one) === key).reduce((sum, { seconds }) => sum + seconds, 0) / all;
                  return share > 0 ? (
                    <span
                      key={key}
                      className={className}
                      style={{ width: `${share * 100}%` }}
                      role="img"
                      aria-label={`${Math.round(share * 100)} % ${words}`}
                    />
                  ) : null;
                })}
              </span>
              <span className="time text-right">{minutes.toFixed(1)} min</span>
            </li>
          );
        })}
      </ol>
      <ul className="flex flex-wrap gap-x-4 text-tiny text-reed">
        {parts.map(({ key, words, className }) => (
          <li key={key} className="inline-flex items-center gap-1.5">
            <span className={`size-2.5 ${className}`} /> {words}
          </li>
        ))}
      </ul>
    </div>
  );
}
