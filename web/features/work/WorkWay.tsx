import { Link } from 'react-router';
import { lastOwner } from '../../shared/keeping/index.ts';
import { workShelf } from './workShelves.ts';

/** Where nothing can be reached: the way to the work that is kept on this phone, if any is. */
export function WorkWay() {
  const kept = workShelf(lastOwner() ?? '').read() ?? [];
  if (kept.every(({ answer }) => answer.work.length === 0)) return null;
  return (
    <p className="pt-4">
      <Link className="linked inline-flex min-h-11 items-center" to="/work">
        Go to my work, which is on this phone
      </Link>
    </p>
  );
}
