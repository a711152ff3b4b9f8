import { Fetched } from '../../shared/fetched/index.ts';
import { useAccount } from '../access/index.ts';
import { useGetPracticeQuery } from './api.ts';
import { CalendarLink } from '../calendar/index.ts';
import { HoursForm } from './HoursForm.tsx';
import { Pauses } from './Pauses.tsx';

/** When the coach works, and when not. */
export function HoursPart() {
  const fetched = useGetPracticeQuery(undefined, { refetchOnMountOrArgChange: true });
  const isCoach = useAccount()?.role === 'coach';
  return (
    <Fetched of={fetched}>
      {(practice) => (
        <div className="grid gap-12 lg:grid-cols-[minmax(0,1fr)_20rem]">
          {/* What somebody else has set meanwhile is a new form. */}
          <HoursForm key={practice.revision} practice={practice} readOnly={!isCoach} />
          <div className="flex flex-col gap-8">
            <Pauses pauses={practice.pauses} mayPause={isCoach} />
            <CalendarLink tells="whom you review when, and nothing of what they asked" />
          </div>
        </div>
      )}
    </Fetched>
  );
}
