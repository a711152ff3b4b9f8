import { guardedKinds, type FixWarning } from '@lean-mentor/core/fixes';
import { useState } from 'react';
import { Button } from '../../shared/primitives/index.ts';
import type { LadderControls } from './useLadder.ts';

/** What to mind before it goes out. What meets an injury, an age or the rules asks for a reason. */
export function WarningList({ deciding }: { deciding: LadderControls }) {
  if (deciding.warnings.length === 0) return <p className="text-small text-reed">Nothing to mind.</p>;
  return (
    <ul className="flex flex-col gap-2 text-small">
      {deciding.warnings.map((warning) => (
        <Warning key={`${warning.kind} ${warning.principleId} ${warning.words}`} warning={warning} deciding={deciding} />
      ))}
    </ul>
  );
}

/** Kinds about the body that ask for no reason: a way of the book spares it, or a clinician is asked. */
const ofCare: readonly FixWarning['kind'][] = ['sparing', 'clinician'];

function Warning({
  warning: { kind, principleId, words, offers },
  deciding: { choice, change },
}: {
  warning: FixWarning;
  deciding: LadderControls;
}) {
  const [reason, setReason] = useState('');
  const guarded = guardedKinds.includes(kind);
  const accepted = choice.overrides.find((one) => one.kind === kind && one.principleId === principleId);
  const without = choice.overrides.filter((one) => one !== accepted);
  return (
    <li className={`flex flex-col gap-1 pl-3 ${guarded || ofCare.includes(kind) ? 'border-l-4 border-brick' : 'border-l border-ink'}`}>
      <p>{words}</p>
      {offers.length > 0 && (
        <ul className="list-disc pl-4 text-reed">
          {offers.map((offer) => (
            <li key={offer}>{offer}</li>
          ))}
        </ul>
      )}
      {guarded && accepted && (
        <p className="text-reed">
          Goes out all the same: {accepted.reason}{' '}
          <button type="button" className="linked" onClick={() => change({ overrides: without })}>
            Think again
          </button>
        </p>
      )}
      {guarded && !accepted && principleId && (
        <div className="flex gap-2">
          <input
            aria-label="Why it goes out all the same"
            placeholder="Why it goes out all the same"
            value={reason}
            maxLength={300}
            onChange={({ target }) => setReason(target.value)}
            className="min-w-0 grow rounded-sm border border-seam bg-linen px-2 py-1"
          />
          <Button
            look="plain"
            disabled={reason.trim() === ''}
            onClick={() => change({ overrides: [...without, { principleId, kind, reason: reason.trim() }] })}
          >
            Accept it
          </Button>
        </div>
      )}
    </li>
  );
}
