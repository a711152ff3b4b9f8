import {
  asksOf,
  clashesOf,
  clashSentence,
  nothingAsked,
  principleClashes,
  sparesAll,
  sparingFirst,
  type Clash,
  type Spared,
} from '@lean-mentor/core/book';
import { Popover } from 'radix-ui';
import { useGetBookQuery } from './entriesApi.ts';

const CareWords = ({ clashes, name, after = '' }: { clashes: readonly Clash[]; name: string; after?: string }) =>
  clashes.length > 0 && (
    <p role="note" className="border-l-4 border-brick pl-2 text-small">
      {clashSentence(clashes, name).replace(/^it/, 'It')}
      {after}
    </p>
  );

/** What a principle asks of somebody that is to be spared; nothing where it asks nothing of it. */
export function PrincipleCare({ principleId, spared }: { principleId: string; spared: Spared }) {
  const { data } = useGetBookQuery();
  const principle = data?.principles.find(({ id }) => id === principleId);
  if (!principle) return null;
  const clashes = principleClashes(principle, spared);
  const sparing = principle.variants.find((variant) => sparesAll(variant, clashes));
  return <CareWords clashes={clashes} name={spared.name} after={sparing ? ` This spares it: ${sparing.do}.` : ''} />;
}

/** What a clip shows, by the techniques that its title names, that somebody is to be spared. */
export function ClipCare({ title, spared }: { title: string; spared: Spared }) {
  const asks = asksOf({ caution: 'general', loads: nothingAsked(), techniques: [], words: title });
  return <CareWords clashes={clashesOf(asks, spared)} name={spared.name} />;
}

/** The ways of a principle of the book, to be taken into a note: those that spare what is to be spared first. */
export function BookWays({
  principleId,
  spared,
  onTake,
}: {
  principleId: string;
  spared: Spared;
  onTake: (way: { when: string; do: string }) => void;
}) {
  const { data } = useGetBookQuery();
  const principle = data?.principles.find(({ id }) => id === principleId);
  if (!principle || principle.variants.length === 0) return null;
  const clashes = principleClashes(principle, spared);
  return (
    <Popover.Root>
      <Popover.Trigger className="rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen">
        Ways of the book …
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          aria-label="Ways of the book"
          className="z-30 flex max-h-80 w-[26rem] flex-col gap-2 overflow-y-auto border border-ink bg-linen p-3 shadow-lg"
        >
          <CareWords clashes={clashes} name={spared.name} />
          <ul className="divide-y divide-seam">
            {sparingFirst(principle.variants, clashes).map((variant) => (
              <li key={`${variant.when} ${variant.do}`}>
                <Popover.Close
                  className="w-full py-1 text-left text-small hover:bg-straw"
                  onClick={() => onTake({ when: variant.when, do: variant.do })}
                >
                  {variant.when && <span className="text-reed">If {variant.when}: </span>}
                  {variant.do}
                  {clashes.length > 0 && (
                    <span className={sparesAll(variant, clashes) ? 'font-semibold text-pine' : 'text-brick'}>
                      {sparesAll(variant, clashes) ? ' Spares it.' : ' Does not spare it.'}
                    </span>
                  )}
                </Popover.Close>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
