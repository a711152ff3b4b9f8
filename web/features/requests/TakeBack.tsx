import type { Request } from '@lean-mentor/contract';
import { toast } from 'sonner';
import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useWithdrawConsentMutation, useWithdrawRequestMutation } from './api.ts';
import { stopUpload } from './uploads.ts';

const open: Request['state'][] = ['guardian', 'uploading', 'waiting', 'need-first'];

/** Taking a request back before it is answered, and the partner's consent at any time. */
export function TakeBack({ request }: { request: Request }) {
  const [withdraw, withdrawing] = useWithdrawRequestMutation();
  const [withdrawConsent, consent] = useWithdrawConsentMutation();
  const fault = withdrawing.error ?? consent.error;
  const stopAll = (): void => request.footages.forEach(({ id }) => stopUpload(id));
  const takeBack = async (): Promise<void> => {
    if (!confirm('Take this request back? Its footage is removed.')) return;
    stopAll();
    if (!(await withdraw(request.id)).error) toast('Taken back.');
  };
  const takeConsentBack = async (): Promise<void> => {
    if (!confirm('Remove the footage, its copies and the stills for good? What was written stays. This cannot be undone.')) return;
    stopAll();
    if (!(await withdrawConsent(request.id)).error) toast('Removed. Nobody can see the footage any more.');
  };
  if (request.consentWithdrawnAt) return null;
  return (
    <section aria-label="Taking back" className="flex flex-col items-start gap-1 border-t border-seam pt-3">
      {fault && <FaultNote>{faultWords(fault)}</FaultNote>}
      {open.includes(request.state) && (
        <Button look="quiet" className="min-h-11" busy={withdrawing.isLoading} onClick={() => void takeBack()}>
          Take the request back
        </Button>
      )}
      {request.footages.some(({ state }) => state !== 'removed') && (
        <Button look="quiet" className="min-h-11" busy={consent.isLoading} onClick={() => void takeConsentBack()}>
          My partner no longer agrees to be on film
        </Button>
      )}
    </section>
  );
}
