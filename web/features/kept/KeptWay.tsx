import { Link } from 'react-router';
import { lastOwner } from '../../shared/keeping/index.ts';
import { useKeptFilms } from './useKeptFilms.ts';

/** Where nothing can be reached: the way to what is kept on this phone, if anything is. */
export function KeptWay() {
  const films = useKeptFilms(lastOwner());
  if (!films || films.length === 0) return null;
  return (
    <p className="pt-4">
      <Link className="linked inline-flex min-h-11 items-center" to="/kept">
        See what is kept on this phone ({films.length})
      </Link>
    </p>
  );
}
