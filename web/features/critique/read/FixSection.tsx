import type { Critique } from '@lean-mentor/contract';
import type { Block, FixBlock } from '@lean-mentor/core/critique';
import { format } from 'date-fns';
import { Check } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useMarkUnderstoodMutation } from '../api.ts';
import { isAsked } from './ForkMoment.tsx';
import { Questions } from './Questions.tsx';

interface FixSectionProps {
  critique: Critique;
  block: FixBlock;
  show: (blocks: readonly Block[]) => ReactNode;
}

/** Where what tells the answer begins: after the first moment at which the client is asked and has not chosen. */
function afterFirstAsked({ moments, footages, forkChoices }: Critique, blocks: readonly Block[]): number {
  const asks = blocks.findIndex((block) => {
    const moment = block.type === 'moment' ? moments.find(({ note }) => note.id === block.attrs.noteId) : undefined;
    const footage = footages.find(({ id }) => id === moment?.note.footageId);
    return moment && footage && !forkChoices[moment.note.id] && isAsked(moment, footage);
  });
  return asks < 0 ? blocks.length : asks + 1;
}

/** One fix: its name and number, all that is said of it, the tick, and what is asked about it. */
export function FixSection({ critique, block, show }: FixSectionProps) {
  const { fixId, name } = block.attrs;
  const isTheirs = useAccount()?.role === 'client';
  const [readsOn, setReadsOn] = useState(false);
  const until = isTheirs && !readsOn ? afterFirstAsked(critique, block.content) : block.content.length;
  const held = block.content.slice(until);
  const fix = critique.fixes.find((one) => one.fixId === fixId);
  return (
    <section aria-label={`Fix ${fix?.position}`} data-fix={fix?.position} className="flex flex-col gap-3 print:gap-2">
      <h2 className="flex items-baseline gap-3 border-t border-ink pt-2 break-after-avoid">
        <span className="font-head text-banner leading-none">{fix?.position}</span>
        <span className="text-title">{name}</span>
      </h2>
      {show(block.content.slice(0, until))}
      {held.length > 0 && (
        <>
          <p className="not-printed flex flex-wrap items-center gap-x-3 text-desk text-reed">
            The rest of this comes when you have said what you would do.
            <button type="button" className="linked min-h-11" onClick={() => setReadsOn(true)}>
              Read on without
            </button>
          </p>
          <div className="hidden print:contents">{show(held)}</div>
        </>
      )}
      <Understood critique={critique} fixId={fixId} name={name} />
      <Questions critique={critique} fixId={fixId} />
    </section>
  );
}

function Understood({ critique, fixId, name }: { critique: Critique; fixId: string; name: string }) {
  const role = useAccount()?.role;
  const [mark, { error, isLoading }] = useMarkUnderstoodMutation();
  const at = critique.understood[fixId];
  if (role !== 'client' && role !== 'guardian')
    return at ? (
      <p className="text-desk text-reed">Understood on {format(at, 'd MMMM')}.</p>
    ) : (
      <p className="text-desk text-reed">Not ticked as understood yet.</p>
    );
  return (
    <div className="not-printed">
      <button
        type="button"
        role="checkbox"
        aria-checked={at !== undefined}
        aria-label={`${at ? 'Understood' : 'I understand this'}: ${name}`}
        disabled={isLoading}
        onClick={() => void mark({ critiqueId: critique.id, fixId, understood: at === undefined })}
        className="inline-flex min-h-12 items-center gap-3 pr-4 font-semibold text-pine"
      >
        <span
          className={`flex size-7 items-center justify-center rounded-sm border-2 border-pine ${at ? 'bg-pine text-linen' : 'bg-linen'}`}
        >
          {at && <Check size={18} aria-hidden />}
        </span>
        {at ? 'Understood' : 'I understand this'}
      </button>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </div>
  );
}
