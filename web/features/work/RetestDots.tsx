import { countedWords } from '@lean-mentor/core/work';
import type { Retests } from '@lean-mentor/contract';

const [height, column, pad] = [56, 58, 9];

/** Retests as open dots, oldest first, each as high as its share or its rate: practice is never drawn filled, sparring is. */
export function RetestDots({ retests: { tests } }: { retests: Pick<Retests, 'tests'> }) {
  const values = tests.map(({ counted }) =>
    'chances' in counted ? counted.successes / counted.chances : counted.mistakes / counted.minutes,
  );
  const top = tests.some(({ counted }) => 'minutes' in counted) ? Math.max(0.01, ...values) : 1;
  const place = (value: number, i: number): [number, number] => [
    i * column + column / 2,
    height - pad - (value / top) * (height - 2 * pad),
  ];
  const points = values.map(place);
  return (
    <div className="overflow-x-auto">
      <svg
        width={Math.max(1, tests.length) * column}
        height={height + 14}
        role="img"
        aria-label={`Retests: ${tests.map(({ counted }) => countedWords(counted)).join(', then ')}`}
      >
        <line x1={0} x2={tests.length * column} y1={height - pad} y2={height - pad} className="stroke-seam" />
        <polyline points={points.map((point) => point.join(',')).join(' ')} fill="none" className="stroke-reed" strokeDasharray="3 3" />
        {points.map(([x, y], i) => (
          <g key={tests[i]!.sessionId}>
            <circle cx={x} cy={y} r={5} className="fill-straw stroke-ink" strokeWidth={1.6} />
            <text x={x} y={height + 10} textAnchor="middle" className="time fill-reed text-[9px]">
              {countedWords(tests[i]!.counted)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
