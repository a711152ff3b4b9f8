import { clockText } from '@lean-mentor/core/footage';
import { fallChain } from '@lean-mentor/core/scoring';
import { useMemo } from 'react';
import { useScene } from '../DeskScene.ts';
import { ScoreFigures } from './ScoreFigures.tsx';
import type { BoutScored } from './useScore.ts';

/** Each fall of a round: who finished, by what, how long the attack lasted, what led to it, and its own score. */
export function Falls({ bout: { result, timed, clock, frameAt } }: { bout: BoutScored }) {
  const { go } = useScene();
  const chains = useMemo(() => result.falls.map((fall) => fallChain(timed, fall)), [timed, result]);
  if (result.falls.length === 0) return null;
  return (
    <ol aria-label="Falls" className="divide-y divide-seam border-y border-seam">
      {result.falls.map(({ athlete, name, at, attackFrom, score }, i) => (
        <li key={at} className="flex items-baseline gap-2 py-0.5">
          <span className="w-4 shrink-0 text-right">{i + 1}</span>
          <button type="button" className="time linked" onClick={() => go(frameAt(at), null)}>
            {clockText(clock.at(at))}
          </button>
          <span className={`w-16 shrink-0 font-semibold ${athlete === 'client' ? 'text-client' : 'text-partner'}`}>
            {athlete === 'client' ? 'Client' : 'Partner'}
          </span>
          <span className="time w-14 shrink-0 text-right">
            <ScoreFigures score={score} />
          </span>
          <span className="grow">
            {name ? name.charAt(0).toUpperCase() + name.slice(1).replaceAll('-', ' ') : 'Finish'}
            {attackFrom !== null && `, ${(at - attackFrom).toFixed(1)} s from the start of the attack`}.
            {chains[i] && <span className="text-reed"> {chains[i]}.</span>}
          </span>
        </li>
      ))}
    </ol>
  );
}
