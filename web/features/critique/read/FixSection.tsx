import type { Critique } from '@lean-mentor/contract';
import type { FixBlock } from '@lean-mentor/core/critique';
import { format } from 'date-fns';
import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import { FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useMarkUnderstoodMutation } from '../api.ts';
import { Questions } from './Questions.tsx';

/** One fix: its name and number, all that is said of it, the tick, and what is asked about it. */
export function FixSection({ critique, block, children }: { critique: Critique; block: FixBlock; children: ReactNode }) {
  const { fixId, name } = block.attrs;
  const fix = critique.fixes.find((one) => one.fixId === fixId);
  return (
    <section aria-label={`Fix ${fix?.position}`} data-fix={fix?.position} className="flex flex-col gap-3 print:gap-2">
      <h2 className="flex items-baseline gap-3 border-t border-ink pt-2 break-after-avoid">
        <span className="font-head text-banner leading-none">{fix?.position}</span>
        <span className="text-title">{name}</span>
      </h2>
      {children}
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
