import { durationText } from '@lean-mentor/core/footage';
import { placeWords, sideNames, type AthleteStats, type BoutStats, type Holder } from '@lean-mentor/core/scoring';

const barLook = (holder: Holder): string => (holder === null ? 'bg-seam' : holder === 'client' ? 'bg-client' : 'bg-partner');
/** So many positions and transitions are shown. */
const mostRows = 8;

const rate = ({ tries, successes }: { tries: number; successes: number }): string => (tries > 0 ? `${successes} of ${tries}` : '–');

const lines: readonly [words: string, of: (one: AthleteStats) => string][] = [
  ['Attempts that worked', rate],
  ['Scored', (one) => String(one.scored)],
  ['Near points', (one) => String(one.near)],
  ['Ways out from under', (one) => String(one.escapes)],
  ['In control', (one) => durationText(one.controlSeconds)],
  ['On top of a guard', (one) => durationText(one.onTopSeconds)],
  ['Playing guard', (one) => durationText(one.guardSeconds)],
  ['Longest control', (one) => durationText(one.longestControlSeconds)],
  ['Acts a minute', (one) => one.activity.toFixed(1)],
];

/** What is counted of one or several bouts: time by position, both athletes side by side, and what followed what. */
export function BoutNumbers({ stats }: { stats: BoutStats }) {
  const techniques = [...new Set([...Object.keys(stats.client.attempts), ...Object.keys(stats.partner.attempts)])].sort();
  const longest = stats.time[0]?.seconds ?? 1;
  const none = { tries: 0, successes: 0 };
  return (
    <div className="grid grid-cols-2 gap-x-6 gap-y-3 text-small">
      <section aria-label="Time by position">
        <h3 className="mb-1 font-semibold">Time, {durationText(stats.clockSeconds)} in all</h3>
        <ul>
          {stats.time.slice(0, mostRows).map(({ position, holder, seconds, share }) => (
            <li key={`${position} ${holder}`} className="grid grid-cols-[1fr_auto] gap-x-2">
              <span className="truncate">{placeWords({ position, holder }, sideNames)}</span>
              <span className="time">
                {Math.round(seconds)} s · {Math.round(share * 100)} %
              </span>
              <span className={`h-1 ${barLook(holder)}`} style={{ width: `${(100 * seconds) / longest}%` }} />
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Both athletes">
        <table className="w-full">
          <thead>
            <tr className="text-left">
              <th className="font-semibold">Counted</th>
              <th className="text-right font-semibold text-client">Client</th>
              <th className="text-right font-semibold text-partner">Partner</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(([words, of]) => (
              <tr key={words}>
                <td>{words}</td>
                <td className="time text-right">{of(stats.client)}</td>
                <td className="time text-right">{of(stats.partner)}</td>
              </tr>
            ))}
            {techniques.map((technique) => (
              <tr key={technique} className="text-reed">
                <td className="pl-3">{technique.replaceAll('-', ' ')}</td>
                <td className="time text-right">{rate(stats.client.attempts[technique] ?? none)}</td>
                <td className="time text-right">{rate(stats.partner.attempts[technique] ?? none)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}
