import { hoursWithPauses, type TodayRow } from '@lean-mentor/contract';
import { workingWindows, type PolicyForecast, type ReviewForecast, type TimeSpan } from '@lean-mentor/core/queue';
import { addDays, format } from 'date-fns';
import { Link } from 'react-router';
import { dayAndHour, dayWords } from '../../shared/time/dayWords.ts';
import type { Today } from './daySchedule.ts';
import { slackOf } from './words.ts';

const hour = 3_600_000;
/** How tall an hour is drawn, in px: a review of twenty minutes still holds its name. */
const hourHeight = 66;
/** What lies further ahead is in the list alone. */
const daysShown = 5;
/** Windows shown even when nothing lies in them yet. */
const leastWindows = 2;
/** Feet lie beside one another in so many lanes, each so many px wide. */
const footLanes = 4;
const laneWidth = 6;

const height = ({ fromAt, toAt }: TimeSpan): number => ((toAt - fromAt) / hour) * hourHeight;
/** The part of a span that lies in a window, as a share of the page; null where none does. */
function within(window: TimeSpan, fromAt: number, toAt: number): { top: number; height: number } | null {
  const [from, to] = [Math.max(window.fromAt, fromAt), Math.min(window.toAt, toAt)];
  return to > from ? { top: height({ fromAt: window.fromAt, toAt: from }), height: height({ fromAt: from, toAt: to }) } : null;
}

/** A review that has a place in the days ahead. */
type Forecast = ReviewForecast & Record<'startP50At' | 'finishP50At' | 'finishP80At', number>;

/**
 * The days ahead as working windows with the reviews laid in. Each runs to its middle end; its foot is drawn out to where eight of ten
 * are over.
 */
export function DayPlan({ today, forecast, now }: { today: Today; forecast: PolicyForecast | undefined; now: Date }) {
  const windows = workingWindows(hoursWithPauses(today.hours, today.pauses), Date.parse(today.now), addDays(now, daysShown).getTime());
  const rowOf = new Map(today.rows.map((row) => [row.id, row]));
  const place = new Map(forecast?.order.map((id, i) => [id, i]));
  const reviews = forecast?.reviews.filter((r): r is Forecast => r.finishP80At !== null) ?? [];
  const last = Math.max(0, ...reviews.map(({ finishP50At }) => finishP50At));
  const used = windows.filter((window, i) => i < leastWindows || window.fromAt < last);
  if (windows.length === 0)
    return (
      <p className="border-l border-seam py-2 pl-3 text-reed">
        No working hours in the days ahead. Set them under{' '}
        <Link to="/practice" className="linked">
          Practice
        </Link>
        .
      </p>
    );
  return (
    <ol className="flex flex-col gap-5">
      {used.map((window) => (
        <li key={window.fromAt}>
          <p className="flex justify-between border-b border-ink pb-1">
            <span className="font-semibold first-letter:uppercase">{dayWords(window.fromAt, now)}</span>
            <span className="time text-reed">
              {format(window.fromAt, 'H:mm')}–{format(window.toAt, 'H:mm')}
            </span>
          </p>
          <ol className="relative overflow-hidden border-l border-seam" style={{ height: Math.max(26, height(window)) }}>
            {blocksIn(window, reviews).map((block) => (
              <Block key={block.reviews[0]!.id} block={block} rowOf={rowOf} now={now} />
            ))}
            {reviews.map((review) => {
              const foot = within(window, review.finishP50At, review.finishP80At);
              return (
                foot && (
                  <li
                    key={review.id}
                    aria-hidden
                    className="absolute w-[3px] bg-pine opacity-45"
                    style={{ top: foot.top, height: foot.height, right: 2 + ((place.get(review.id) ?? 0) % footLanes) * laneWidth }}
                  />
                )
              );
            })}
          </ol>
        </li>
      ))}
    </ol>
  );
}

/** Less tall than this, px, and a name cannot be read in it. */
const leastBlock = 15;

interface BlockOf {
  top: number;
  height: number;
  /** One review, or several short ones after one another that together can be read. */
  reviews: Forecast[];
}

/** What is drawn in a window: reviews too short to be named stand together with those after them. */
function blocksIn(window: TimeSpan, reviews: readonly Forecast[]): BlockOf[] {
  const blocks: BlockOf[] = [];
  const inOrder = [...reviews].sort((a, b) => a.startP50At - b.startP50At);
  for (const review of inOrder) {
    const box = within(window, review.startP50At, review.finishP50At);
    if (!box) continue;
    const last = blocks.at(-1);
    if (last && last.height < leastBlock) {
      last.height = Math.max(last.height, box.top + box.height - last.top);
      last.reviews.push(review);
    } else blocks.push({ ...box, reviews: [review] });
  }
  return blocks;
}

function Block({ block, rowOf, now }: { block: BlockOf; rowOf: ReadonlyMap<string, TodayRow>; now: Date }) {
  const [first, ...others] = block.reviews;
  const row = rowOf.get(first!.id);
  if (!row) return null;
  const broken = block.reviews.some((review) => slackOf(rowOf.get(review.id)!, review, now).state === 'broken');
  const names = block.reviews.map(({ id }) => rowOf.get(id)?.clientName).join(', ');
  return (
    <li data-block={first!.id}>
      <Link
        to={`/requests/${row.id}/desk`}
        title={`${names}, from ${format(first!.startP50At, 'H:mm')}; over by ${dayAndHour(block.reviews.at(-1)!.finishP80At, now)} in eight of ten cases`}
        className={`absolute left-0 flex items-baseline gap-2 overflow-hidden border-t border-straw bg-linen pr-1 pl-2 leading-[1.15] hover:bg-straw ${broken ? 'shadow-[inset_3px_0_0_var(--color-brick)]' : 'shadow-[inset_3px_0_0_var(--color-pine)]'}`}
        style={{ top: block.top, height: Math.max(leastBlock, block.height - 1), right: footLanes * laneWidth + 4 }}
      >
        <span className="time shrink-0 text-tiny text-reed">{format(first!.startP50At, 'H:mm')}</span>
        <span className="truncate text-small font-semibold">
          {row.clientName}
          {others.length > 0 && <span className="font-normal text-reed"> and {others.length} more</span>}
        </span>
        <span className={`ml-auto shrink-0 text-tiny ${broken ? 'text-brick' : 'text-reed'}`}>{dayAndHour(row.dueAt, now)}</span>
      </Link>
    </li>
  );
}
