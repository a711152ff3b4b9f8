import { Link, Navigate, useParams } from 'react-router';
import { RowsSkeleton } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useOpenShortLinkQuery } from '../api.ts';

/** A short link leads to its critique, for those who may see it. */
export function ShortLinkPage() {
  const { code = '' } = useParams();
  const { data, error } = useOpenShortLinkQuery(code);
  if (data) return <Navigate replace to={`/critiques/${data.critiqueId}`} />;
  return (
    <main className="py-8">
      {error ? (
        <p className="text-read">
          {faultWords(error)} The link may be of another person, or the critique was taken back.{' '}
          <Link to="/" className="linked">
            To your first page
          </Link>
        </p>
      ) : (
        <RowsSkeleton rows={2} />
      )}
    </main>
  );
}
