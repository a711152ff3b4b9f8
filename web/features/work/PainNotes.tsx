import type { PainFlag } from '@lean-mentor/contract';
import { partWords } from '@lean-mentor/core/care';

/** Pain that was told and not spoken about yet: what rests because of it, and who it belongs to. */
export function PainNotes({ pains }: { pains: readonly PainFlag[] }) {
  const open = pains.filter(({ settledAt }) => settledAt === null);
  if (open.length === 0) return null;
  return (
    <div role="status" className="flex flex-col gap-1 border-l-4 border-brick bg-linen px-3 py-2">
      <p className="font-semibold">You told of pain: {open.map(partWords).join(', ')}.</p>
      <p>
        Whatever loads it rests until you and your coach have spoken. Pain that stays, swelling, numbness or a knock to the head: see a
        licensed clinician; what they say goes before anything here.
      </p>
    </div>
  );
}
