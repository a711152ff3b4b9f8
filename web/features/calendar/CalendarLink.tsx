import { useState } from 'react';
import { toast } from 'sonner';
import { Button, FaultNote, smallInputClass } from '../../shared/primitives/index.ts';
import { dayAndHour } from '../../shared/time/dayWords.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useEndCalendarLinkMutation, useGetCalendarLinkQuery, useMakeCalendarLinkMutation } from './api.ts';

/** One's own address for a calendar program, shown once, when it is made. `tells`: what can be read there. */
export function CalendarLink({ tells, large = false }: { tells: string; large?: boolean }) {
  const { data } = useGetCalendarLinkQuery();
  const [make, made] = useMakeCalendarLinkMutation();
  const [end, ended] = useEndCalendarLinkMutation();
  const [address, setAddress] = useState<string | null>(null);
  const now = new Date();
  const link = data?.link ?? null;
  const error = made.error ?? ended.error;
  const makeNow = async (): Promise<void> => {
    const answer = await make();
    if (answer.data) setAddress(`${location.origin}${answer.data.path}`);
  };
  const copy = (): void =>
    void navigator.clipboard.writeText(address!).then(
      () => toast('Copied.'),
      () => toast('This browser does not copy by itself: mark the address and copy it by hand.'),
    );
  return (
    <section aria-label="In your calendar" className="flex flex-col gap-3">
      <h2 className="border-t border-ink pt-2 text-desk">In your calendar</h2>
      <p className="text-reed">
        A calendar program reads your days ahead under an address of your own: {tells}. Whoever has the address can read it.
      </p>
      {address && link && (
        <>
          <input readOnly aria-label="The address" value={address} onFocus={(e) => e.target.select()} className={smallInputClass} />
          <p className="flex items-center gap-3">
            <Button large={large} look="plain" onClick={copy}>
              Copy it
            </Button>
            <span className="text-small text-reed">It is not shown again.</span>
          </p>
        </>
      )}
      {link && (
        <p className="text-reed">
          Made {dayAndHour(link.madeAt, now)}, {link.readAt ? `read last ${dayAndHour(link.readAt, now)}` : 'not read yet'}.
        </p>
      )}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <div className="flex gap-2">
        <Button large={large} look="plain" busy={made.isLoading} onClick={() => void makeNow()}>
          {link ? 'Another address' : 'Make an address'}
        </Button>
        {link && (
          <Button large={large} look="quiet" busy={ended.isLoading} onClick={() => void end().then(() => setAddress(null))}>
            End it
          </Button>
        )}
      </div>
    </section>
  );
}
