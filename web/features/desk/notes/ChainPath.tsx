import { chainOf, ledToBy, type Note } from '@lean-mentor/core/desk';
import { Fragment } from 'react';
import { ThingLink } from './ThingLink.tsx';
import { useChainCosts } from './useChainCosts.ts';
import { useLinked } from './useLinked.ts';

const shown = (cost: number): string => cost.toFixed(2);

/** The chain a note stands in, first link first, with what is carried back to each. */
export function ChainPath({ note }: { note: Note }) {
  const { things, wordsOf, whenOf, inOrder } = useLinked();
  const costs = useChainCosts();
  const chain = [...chainOf(things, note.id), ...ledToBy(things, note.id)].flatMap((id) => things.get(id) ?? []);
  if (chain.length < 2) return null;
  return (
    <p aria-label="Cost along the chain" className="flex flex-wrap items-baseline gap-x-1.5 text-small text-reed">
      <span title="A conceded finish counts 1. Each link carries a share of what it led to.">Cost</span>
      {chain.sort(inOrder).map((thing, i) => {
        const { own, cost } = costs.get(thing.id) ?? { own: 0, cost: 0 };
        return (
          <Fragment key={thing.id}>
            {i > 0 && <span aria-hidden>→</span>}
            <ThingLink
              thing={thing}
              current={thing.id === note.id}
              title={`${wordsOf(thing.id)}: ${shown(own)} of its own, ${shown(cost - own)} carried back from what it led to`}
              className="time hover:underline aria-[current=true]:font-semibold aria-[current=true]:text-ink"
            >
              {shown(cost)} at {whenOf(thing)}
            </ThingLink>
          </Fragment>
        );
      })}
    </p>
  );
}
