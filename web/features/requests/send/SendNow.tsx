import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { Button, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { useSendRequestMutation } from '../api.ts';
import { missingOf } from './missing.ts';
import type { StepProps } from './StepProps.ts';

/** Sends a draft that lacks nothing. It stands where the other steps go on, under the same thumb; what went wrong is said above it. */
export function SendNow({ draft, written }: Omit<StepProps, 'goTo'>) {
  const [send, { error, isLoading }] = useSendRequestMutation();
  const [unsaved, setUnsaved] = useState(false);
  const navigate = useNavigate();
  const guardian = useAccount()?.role === 'guardian';
  const sendNow = async (): Promise<void> => {
    const all = await written.flush();
    setUnsaved(!all);
    if (!all) return;
    const { data } = await send(draft.id);
    if (!data) return;
    toast(
      data.state === 'guardian'
        ? 'Your guardian has it now.'
        : data.state === 'uploading'
          ? 'It reaches your coach with the last byte of the video.'
          : 'Your coach has it.',
    );
    await navigate('/mine');
  };
  return (
    <>
      {(error || unsaved) && (
        <div className="order-first basis-full">
          <FaultNote>
            {error ? faultWords(error) : 'What you wrote has not reached the server yet; it is kept here. Try again in a moment.'}
          </FaultNote>
        </div>
      )}
      <Button large disabled={missingOf(draft, written.intake).length > 0} busy={isLoading} onClick={() => void sendNow()}>
        {guardian ? 'Send to the coach' : 'Send'}
      </Button>
    </>
  );
}
