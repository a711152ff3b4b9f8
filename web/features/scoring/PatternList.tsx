import { clockText } from '@lean-mentor/core/footage';
import type { Pattern } from '@lean-mentor/core/scoring';

interface PatternListProps {
  patterns: readonly Pattern[];
  /** Goes to an instance: seconds of that bout since its start. */
  onGo: (bout: number, atSeconds: number) => void;
}

const mostShown = 12;
const mostInstances = 8;

/** How sure one can be that it is no chance, in words. */
const evidence = (p: number): string =>
  p < 0.01 ? 'hardly chance' : p < 0.05 ? 'probably no chance' : p < 0.2 ? 'perhaps chance' : 'may well be chance';

/** What follows what, best evidence first, each with its instances to look at. */
export function PatternList({ patterns, onGo }: PatternListProps) {
  if (patterns.length === 0) return <p className="text-small text-reed">Nothing has followed the same thing three times yet.</p>;
  return (
    <ol className="flex flex-col gap-2 text-small">
      {patterns.slice(0, mostShown).map((pattern) => (
        <li key={pattern.sentence}>
          <p>
            {pattern.sentence}.{' '}
            <span className="text-reed">
              {pattern.lift.toFixed(1)} times as often as after anything else; {evidence(pattern.p)} (p{' '}
              {pattern.p < 0.001 ? '< 0.001' : pattern.p.toFixed(3)}).
            </span>
          </p>
          <p className="flex flex-wrap gap-2">
            {pattern.instances.slice(0, mostInstances).map(({ bout, at }) => (
              <button key={`${bout} ${at}`} type="button" className="time linked" onClick={() => onGo(bout, at)}>
                {clockText(at)}
              </button>
            ))}
          </p>
        </li>
      ))}
    </ol>
  );
}
