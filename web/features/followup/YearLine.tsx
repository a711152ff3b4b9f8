import type { ClientThread } from '@lean-mentor/contract';
import { addMonths, format, startOfMonth, subMonths } from 'date-fns';
import { pointWords, practiceWords } from './threadWords.ts';

const [width, height, pad, months] = [360, 96, 12, 12];
const foot = 16;

/** A pause: nothing is asked for in it, and nothing lost by it. */
interface Break {
  fromOn: string;
  untilOn: string | null;
  why: string;
}

interface Dot {
  at: number;
  /** 0 to 1, higher is better. */
  good: number;
}

/** How well it went at each request: of chances those that were taken; of a rate how far it fell from the worst. */
function sparringDots({ counts, points }: ClientThread): Dot[] {
  const told = points.filter(({ value }) => value !== null);
  const worst = Math.max(0.001, ...told.map(({ value }) => value!));
  return told.map(({ sentAt, value }) => ({ at: Date.parse(sentAt), good: counts === 'chance' ? value! : 1 - value! / worst }));
}

const practiceDots = ({ tests }: ClientThread['practice'][number]): Dot[] => {
  const worst = Math.max(0.001, ...tests.map(({ counted }) => ('minutes' in counted ? counted.mistakes / counted.minutes : 0)));
  return tests.map(({ doneOn, counted }) => ({
    at: Date.parse(doneOn),
    good: 'chances' in counted ? counted.successes / counted.chances : 1 - counted.mistakes / counted.minutes / worst,
  }));
};

/** One fix over twelve months: sparring as filled dots, practice as open ones, each kind joined by its own line. */
export function YearLine({ thread, breaks }: { thread: ClientThread; breaks: readonly Break[] }) {
  const end = addMonths(startOfMonth(new Date()), 1).getTime();
  const begin = subMonths(end, months).getTime();
  const x = (at: number): number => pad + ((at - begin) / (end - begin)) * (width - 2 * pad);
  const y = (good: number): number => height - foot - pad / 2 - good * (height - foot - pad);
  const within = (dots: Dot[]): Dot[] => dots.filter(({ at }) => at >= begin);
  const line = (dots: Dot[]): string => dots.map(({ at, good }) => `${x(at)},${y(good)}`).join(' ');
  const [sparring, practice] = [within(sparringDots(thread)), thread.practice.map((one) => within(practiceDots(one)))];
  const pauses = breaks
    .map(({ fromOn, untilOn, why }) => ({
      from: Math.max(begin, Date.parse(fromOn)),
      until: untilOn ? Date.parse(untilOn) : end,
      why,
    }))
    .filter(({ from, until }) => until > from);
  const told = [...thread.points.map((point) => pointWords(thread, point)), practiceWords(thread)].filter(Boolean).join('; ');
  return (
    <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`${thread.name}: ${told}`} className="w-full">
      {pauses.map(({ from, until, why }) => (
        <g key={from}>
          <rect x={x(from)} y={pad / 2} width={Math.max(1, x(until) - x(from))} height={height - foot - pad / 2} className="fill-seam/60" />
          <text x={x(from) + 2} y={pad + 2} className="fill-reed text-[9px]">
            {why}
          </text>
        </g>
      ))}
      {Array.from({ length: months }, (_, i) => addMonths(begin, i)).map((month) => (
        <g key={month.getTime()}>
          <line x1={x(month.getTime())} x2={x(month.getTime())} y1={pad / 2} y2={height - foot} className="stroke-seam" strokeWidth={0.6} />
          <text x={x(month.getTime()) + 2} y={height - 4} className="fill-reed text-[9px]">
            {format(month, 'MMM').slice(0, 3)}
          </text>
        </g>
      ))}
      <line x1={pad} x2={width - pad} y1={height - foot} y2={height - foot} className="stroke-seam" />
      {practice.map((dots, i) => (
        <g key={thread.practice[i]!.workId + thread.practice[i]!.level}>
          <polyline points={line(dots)} fill="none" className="stroke-reed" strokeDasharray="2 3" />
          {dots.map(({ at, good }) => (
            <circle key={at} cx={x(at)} cy={y(good)} r={3.6} className="fill-straw stroke-ink" strokeWidth={1.4} />
          ))}
        </g>
      ))}
      <polyline points={line(sparring)} fill="none" className="stroke-ink" strokeWidth={1.4} />
      {sparring.map(({ at, good }) => (
        <circle key={at} cx={x(at)} cy={y(good)} r={4.4} className="fill-ink" />
      ))}
    </svg>
  );
}
