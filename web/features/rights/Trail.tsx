import { mostTrail } from '@lean-mentor/contract';
import { Fetched } from '../../shared/fetched/index.ts';
import { useListTrailQuery } from './api.ts';
import { trailDays, type TrailPerson } from './trailDays.ts';

/** Who looked at what of a client and who changed what, by days. */
export function Trail({ clientId }: { clientId: string }) {
  const fetched = useListTrailQuery(clientId, { refetchOnMountOrArgChange: true });
  return (
    <Fetched of={fetched} rows={3}>
      {({ entries, more }) =>
        entries.length === 0 ? (
          <p className="text-reed">Nobody has looked at anything yet, as far as it was noted.</p>
        ) : (
          <>
            {trailDays(entries).map(({ day, people }) => (
              <section key={day} aria-label={day}>
                <h3 className="mt-2 text-small text-reed">{day}</h3>
                <ul className="divide-y divide-seam border-y border-seam">
                  {people.map((person) => (
                    <PersonLine key={person.role + person.who} {...person} />
                  ))}
                </ul>
              </section>
            ))}
            {more && <p className="text-reed">The last {mostTrail} are shown; all of them are in the file above.</p>}
          </>
        )
      }
    </Fetched>
  );
}

const PersonLine = ({ who, role, between, changed, saw }: TrailPerson) => (
  <li className="py-2">
    <p className="flex flex-wrap justify-between gap-x-4">
      <span className="font-semibold">
        {who}, {role}
      </span>
      <span className="text-reed time">{between}</span>
    </p>
    {changed.length > 0 && <p>Changed: {changed.join('; ')}.</p>}
    {saw.length > 0 && <p className="text-reed">Looked at: {saw.join('; ')}.</p>}
  </li>
);
