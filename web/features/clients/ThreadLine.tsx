import type { ClientThread } from '@lean-mentor/contract';
import { Link } from 'react-router';
import { knowingWords, pointWords, practiceWords, threadStateWords, verdictWords } from '../followup/index.ts';

interface ThreadLineProps {
  thread: ClientThread;
  /** All reviewed requests in their order, so that threads lie under one another in time. */
  requests: readonly string[];
  critiqueOf: ReadonlyMap<string, string>;
  /** Null where it is not the reader’s to close. */
  onClose: ((closed: boolean) => void) | null;
}

const column = 76;
const height = 64;
const pad = 8;

/** One fix as a line across the requests: how often at each, with its interval; hollow where it was sent as a fix. */
export function ThreadLine({ thread, requests, critiqueOf, onClose }: ThreadLineProps) {
  const { points, name, cue, state, closedAt } = thread;
  return (
    <li className={`grid grid-cols-[16rem_minmax(0,1fr)] gap-6 border-b border-seam py-3 ${closedAt ? 'text-reed' : ''}`}>
      <div className="flex flex-col gap-1">
        <h3 className="text-desk">{name}</h3>
        {cue && <p className="text-small text-reed">“{cue}”</p>}
        <p className="text-small">
          {closedAt ? 'Closed' : threadStateWords[state].replace(/^./, (letter) => letter.toUpperCase())}.{' '}
          {onClose && (
            <button
              type="button"
              aria-label={`${closedAt ? 'Open it again' : 'Close it'}: ${name}`}
              className="linked"
              onClick={() => onClose(!closedAt)}
            >
              {closedAt ? 'Open it again' : 'Close it'}
            </button>
          )}
        </p>
        <p className="text-small text-reed">{verdictWords(thread)}</p>
        {practiceWords(thread) && <p className="text-small">{practiceWords(thread)}</p>}
        {knowingWords(thread, 'coach') && <p className="text-small">{knowingWords(thread, 'coach')}</p>}
      </div>
      <div className="overflow-x-auto">
        <div className="relative" style={{ width: requests.length * column }}>
          <ThreadDrawing thread={thread} requests={requests} />
          <ol className="flex text-tiny">
            {requests.map((requestId) => {
              const point = points.find((one) => one.requestId === requestId);
              const critiqueId = critiqueOf.get(requestId);
              return (
                <li key={requestId} className="time shrink-0 text-center" style={{ width: column }}>
                  {point &&
                    (critiqueId ? (
                      <Link to={`/critiques/${critiqueId}`} className="hover:underline">
                        {pointWords(thread, point)}
                      </Link>
                    ) : (
                      pointWords(thread, point)
                    ))}
                </li>
              );
            })}
          </ol>
        </div>
      </div>
    </li>
  );
}

/** The thread as a line: a dot at each request that tells something, with its interval behind it. */
function ThreadDrawing({ thread, requests }: Pick<ThreadLineProps, 'thread' | 'requests'>) {
  const { points, name, counts } = thread;
  const highest =
    counts === 'chance'
      ? 1
      : Math.max(0.01, ...points.map(({ value, interval }) => Math.max(value ?? 0, Math.min(interval?.[1] ?? 0, (value ?? 0) * 3 + 0.5))));
  const x = (requestId: string): number => requests.indexOf(requestId) * column + column / 2;
  const y = (value: number): number => height - pad - (Math.min(value, highest) / highest) * (height - 2 * pad);
  const told = points.filter(({ value }) => value !== null);
  return (
    <svg
      width={requests.length * column}
      height={height}
      role="img"
      aria-label={`${name}: ${points.map((point) => pointWords(thread, point)).join('; ')}`}
    >
      <line x1={0} x2={requests.length * column} y1={height - pad} y2={height - pad} className="stroke-seam" />
      <polyline
        points={told.map(({ requestId, value }) => `${x(requestId)},${y(value!)}`).join(' ')}
        fill="none"
        className="stroke-ink"
        strokeWidth={1.2}
      />
      {told.map(({ requestId, value, interval, given }) => (
        <g key={requestId}>
          {interval && (
            <line
              x1={x(requestId)}
              x2={x(requestId)}
              y1={y(interval[0])}
              y2={y(interval[1] ?? highest)}
              className="stroke-reed"
              strokeWidth={3}
              strokeOpacity={0.35}
            />
          )}
          <circle
            cx={x(requestId)}
            cy={y(value!)}
            r={4.5}
            className={given ? 'fill-straw stroke-ink' : 'fill-ink stroke-ink'}
            strokeWidth={1.5}
          />
        </g>
      ))}
    </svg>
  );
}
