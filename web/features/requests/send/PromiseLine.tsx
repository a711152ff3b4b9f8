import { format } from 'date-fns';
import { Link } from 'react-router';
import { useGetPromiseQuery } from '../api.ts';

const dayHour = 'EEEE d MMMM, H:mm';
/** The zone of this device's clock. */
const ownZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What can be promised if this is sent now, on the clock of this device. Nothing while it is not known. */
export function PromiseLine({ draftId }: { draftId: string }) {
  const { data } = useGetPromiseQuery(draftId, { refetchOnMountOrArgChange: true });
  if (!data) return null;
  const { byAt, dueAt, coachZone, left, planName, paymentLate, pausedUntil } = data;
  return (
    <section aria-label="When it comes" className="border-l-4 border-pine pl-3">
      {left === 0 && <p className="font-semibold">Nothing is left of “{planName}” until its next period.</p>}
      {paymentLate && (
        <p>
          An invoice is late, so this goes after the requests of others until it is paid. See{' '}
          <Link to="/plan" className="linked">
            your plan
          </Link>
          .
        </p>
      )}
      {pausedUntil && <p>Your coach is away until {format(pausedUntil, dayHour)}.</p>}
      <p>
        {byAt ? (
          <>
            If you send this now, the critique comes by <strong>{format(byAt, dayHour)}</strong> in eight of ten cases, and by{' '}
            {format(dueAt, dayHour)} at the latest.
          </>
        ) : (
          <>If you send this now, the critique comes by {format(dueAt, dayHour)}.</>
        )}
      </p>
      {coachZone !== ownZone() && (
        <p className="text-desk text-reed">
          On your clock ({ownZone()}); your coach works on that of {coachZone}.
        </p>
      )}
    </section>
  );
}
