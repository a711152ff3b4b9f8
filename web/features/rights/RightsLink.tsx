import { format } from 'date-fns';
import { Link } from 'react-router';
import { useGetRetentionQuery } from './api.ts';

/** The coach's way to what is kept of a client; where they asked to be forgotten, by when. */
export function RightsLink({ clientId, name }: { clientId: string; name: string }) {
  const { data } = useGetRetentionQuery(undefined);
  const asked = data?.asked.find((one) => one.clientId === clientId);
  return (
    <p>
      <Link to={`/kept-of/${clientId}`} className="linked">
        What is kept of {name}
      </Link>
      {asked && <span className="block text-brick">Asked to be forgotten: goes on {format(asked.dueAt, 'd MMMM')}.</span>}
    </p>
  );
}
