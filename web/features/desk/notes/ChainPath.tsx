import { chainOf, ledToBy, type Note } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { Fragment } from 'react';
import { useScene, useContents } from '../DeskScene.ts';
import { useClockAt } from '../score/useClockAt.ts';
import { useChainCosts } from './useChainCosts.ts';

const shown = (cost: number): string => cost.toFixed(2);

/** The chain a note stands in, first link first, with what is carried back to each. */
export function ChainPath({ note }: { note: Note }) {
  const { go } = useScene();
  const { whole } = useContents();
  const clockAt = useClockAt();
  const costs = useChainCosts();
  const byId = new Map(Object.entries(whole.notes));
  const chain = [...chainOf(byId, note.id), ...ledToBy(byId, note.id)].flatMap((id) => byId.get(id) ?? []);
  if (chain.length < 2) return null;
  const inOrder = chain.sort((a, b) => a.fromFrame - b.fromFrame);
  return (
    <p aria-label="Cost along the chain" className="flex flex-wrap items-baseline gap-x-1.5 text-small text-reed">
      <span title="A conceded finish counts 1. Each link carries a share of what it led to.">Cost</span>
      {inOrder.map(({ id, fromFrame, what }, i) => {
        const { own, cost } = costs.get(id) ?? { own: 0, cost: 0 };
        return (
          <Fragment key={id}>
            {i > 0 && <span aria-hidden>→</span>}
            <button
              type="button"
              aria-current={id === note.id}
              title={`${what || 'Nothing written yet'}: ${shown(own)} of its own, ${shown(cost - own)} carried back from what it led to`}
              onClick={() => go(fromFrame, id)}
              className="time hover:underline aria-[current=true]:font-semibold aria-[current=true]:text-ink"
            >
              {shown(cost)} at {clockText(clockAt(fromFrame))}
            </button>
          </Fragment>
        );
      })}
    </p>
  );
}
