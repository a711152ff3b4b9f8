import { durationText } from '@lean-mentor/core/footage';
import type { ReactNode } from 'react';
import { placeWords, sideNames, type NamedAthlete, type NamedStats } from '@lean-mentor/core/scoring';

/** So many names are shown of each. */
const mostRows = 12;

const share = (seconds: number, all: number): string => `${durationText(seconds)} of ${durationText(all)}`;

/** What was said of postures, in lines; what nobody said is left out. */
function postureLines({ posture: { passing, below, insideSeconds, headSeconds } }: NamedAthlete): [words: string, value: string][] {
  const [passed, lain] = [passing.standing + passing.knees, below.flat + below.side + below.seated];
  const lines: [string, number, number][] = [
    ['Passing on the feet', passing.standing, passed],
    ['Passing from the knees', passing.knees, passed],
    ['Below, flat', below.flat, lain],
    ['Below, on the side', below.side, lain],
    ['Below, seated', below.seated, lain],
  ];
  return [
    ...lines.filter(([, seconds]) => seconds > 0).map(([words, seconds, all]): [string, string] => [words, share(seconds, all)]),
    ...(insideSeconds > 0 ? [['Inside hands', durationText(insideSeconds)] as [string, string]] : []),
    ...(headSeconds > 0 ? [['Hand on the other’s head', durationText(headSeconds)] as [string, string]] : []),
  ];
}

const countOf = (one: NamedAthlete, technique: string, name: string): string => {
  const count = one.acts.find((act) => act.technique === technique && act.name === name);
  if (!count) return '–';
  return `${count.successes} of ${count.tries}${count.caught > 0 ? `, ${count.caught} let go` : ''}`;
};

/** What was counted by name, by posture and of attacks, as far as it was coded; nothing where nothing was. */
export function NamedNumbers({ named, heading }: { named: NamedStats; heading?: ReactNode }) {
  const acts = [...named.client.acts, ...named.partner.acts];
  const rows = [...new Map(acts.map(({ technique, name }) => [`${technique} ${name}`, { technique, name }])).values()].slice(0, mostRows);
  const postures = [
    { who: 'Client', look: 'text-client', lines: postureLines(named.client) },
    { who: 'Partner', look: 'text-partner', lines: postureLines(named.partner) },
  ].filter(({ lines }) => lines.length > 0);
  const attacks = named.client.threats + named.partner.threats;
  if (rows.length === 0 && named.time.length === 0 && postures.length === 0 && attacks === 0) return null;
  return (
    <section aria-label="By name" className="grid grid-cols-2 gap-x-6 gap-y-3 text-small">
      {heading && <div className="col-span-2 text-desk">{heading}</div>}
      {rows.length > 0 && (
        <table className="self-start">
          <thead>
            <tr className="text-left">
              <th className="font-semibold">By name: worked of tried</th>
              <th className="text-right font-semibold text-client">Client</th>
              <th className="text-right font-semibold text-partner">Partner</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ technique, name }) => (
              <tr key={`${technique} ${name}`}>
                <td>{name}</td>
                <td className="time text-right">{countOf(named.client, technique, name)}</td>
                <td className="time text-right">{countOf(named.partner, technique, name)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="flex flex-col gap-2">
        {named.time.length > 0 && (
          <ul>
            {named.time.slice(0, mostRows).map(({ name, position, holder, seconds }) => (
              <li key={`${name} ${position} ${holder}`} className="flex justify-between gap-2">
                <span>{placeWords({ position, holder, name }, sideNames)}</span>
                <span className="time">{durationText(seconds)}</span>
              </li>
            ))}
          </ul>
        )}
        {attacks > 0 && (
          <p>
            In danger: <span className="text-client">client {named.client.dangerSeconds.toFixed(0)} s</span> of {named.partner.threats}{' '}
            {named.partner.threats === 1 ? 'attack' : 'attacks'},{' '}
            <span className="text-partner">partner {named.partner.dangerSeconds.toFixed(0)} s</span> of {named.client.threats}.
          </p>
        )}
        {named.client.lateTaps > 0 && (
          <p className="border-l-4 border-brick pl-2">
            {named.client.lateTaps === 1 ? 'One tap came' : `${named.client.lateTaps} taps came`} more than 3 s after it was tight. Worth a
            kind word.
          </p>
        )}
        {postures.map(({ who, look, lines }) => (
          <ul key={who}>
            <li className={`font-semibold ${look}`}>{who}</li>
            {lines.map(([words, value]) => (
              <li key={words} className="flex justify-between gap-2">
                {words}
                <span className="time">{value}</span>
              </li>
            ))}
          </ul>
        ))}
      </div>
    </section>
  );
}
