import { stakesActionWords, stakesAt, type Stakes } from '@lean-mentor/core/scoring';
import { clockText } from '@lean-mentor/core/footage';
import type { BoutScored } from './useScore.ts';

const stakesWords: Readonly<Record<NonNullable<Stakes['state']>, string>> = {
  safe: 'Safe: nothing that follows from here takes the lead away',
  'knife-edge': 'Knife-edge: one score, or one chain, turns it',
  'must-score': 'Must score',
};

/** What hangs on the next score at a frame, and the question it leaves the coach. */
export function StakesLine({ bout, frame }: { bout: BoutScored; frame: number }) {
  const { timed, sheet, standing, since } = bout;
  const stakes = stakesAt(timed, sheet, standing, Math.max(0, since(frame)));
  if (!stakes.state) return null;
  const { cheapest } = stakes;
  return (
    <p className={stakes.strong ? 'border-l-4 border-ink pl-2' : ''} data-stakes={stakes.state}>
      <span className="font-semibold">{stakesWords[stakes.state]}</span>,{' '}
      {stakes.secondsLeft === null ? (
        'how much was left nobody knows.'
      ) : (
        <>
          <span className="time">{clockText(stakes.secondsLeft)}</span> left.
        </>
      )}
      {cheapest && ` The least that changes it: ${cheapest.athlete}, ${stakesActionWords(cheapest)}.`}
      {stakes.question && <span className="text-reed"> {stakes.question}</span>}
    </p>
  );
}
