import type { RoundStart } from '@lean-mentor/core/work';
import starts from './starts.json' with { type: 'json' };
import { startWords } from './words.ts';

interface Line {
  who: string;
  head: boolean;
  points: number[];
}
const drawn: Readonly<Partial<Record<string, { viewBox: string; lines: Line[] }>>> = starts;

const pairs = (points: number[]): string => points.reduce((text, value, i) => `${text}${i % 2 === 0 ? ' ' : ','}${value}`, '');

interface StartDrawingProps {
  start: RoundStart;
  /** What the client is called under it. */
  client?: string;
  className?: string;
}

/** A round's start as two bodies: the client filled, the partner hollow. Nothing where no drawing shows it. */
export function StartDrawing({ start, client = 'you', className = '' }: StartDrawingProps) {
  const found = drawn[start.position];
  if (!found) return null;
  const isClient = (who: string): boolean => (who === 'above') === (start.clientHolds ?? true);
  return (
    <figure className={className}>
      <svg viewBox={found.viewBox} role="img" aria-label={`The start: ${startWords(start)}`} className="mx-auto block max-h-44 w-full">
        {found.lines.map((line, i) => (
          <Body key={i} line={line} client={isClient(line.who)} />
        ))}
      </svg>
      <figcaption className="flex justify-center gap-5 text-small" aria-hidden>
        <span className="flex items-center gap-1.5">
          <svg width="14" height="14">
            <circle cx="7" cy="7" r="5" className="fill-client stroke-client" strokeWidth="2" />
          </svg>
          {client}
        </span>
        <span className="flex items-center gap-1.5">
          <svg width="14" height="14">
            <circle cx="7" cy="7" r="5" className="fill-linen stroke-partner" strokeWidth="2.5" />
          </svg>
          partner
        </span>
      </figcaption>
    </figure>
  );
}

function Body({ line: { head, points }, client }: { line: Line; client: boolean }) {
  const ink = client ? 'stroke-client' : 'stroke-partner';
  if (head) {
    const [x, y] = points.slice(-2);
    return <circle cx={x} cy={y} r="21" className={`${ink} ${client ? 'fill-client' : 'fill-linen'}`} strokeWidth="7" />;
  }
  const shape = { points: pairs(points), fill: 'none', strokeLinejoin: 'round', strokeLinecap: 'round' } as const;
  return (
    <>
      <polyline {...shape} className="stroke-straw" strokeWidth="36" />
      <polyline {...shape} className={ink} strokeWidth="26" />
      {!client && <polyline {...shape} className="stroke-linen" strokeWidth="13" />}
    </>
  );
}
