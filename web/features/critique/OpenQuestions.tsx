import { clockText } from '@lean-mentor/core/footage';
import { Link } from 'react-router';
import { dayAndHour } from '../../shared/time/dayWords.ts';
import { useListOpenQuestionsQuery } from './api.ts';

/** Questions that wait for the coach, oldest first. Nothing where there are none. */
export function OpenQuestions({ now }: { now: Date }) {
  const { data } = useListOpenQuestionsQuery(undefined, { pollingInterval: 60_000, refetchOnMountOrArgChange: true });
  if (!data || data.questions.length === 0) return null;
  return (
    <section aria-label="Open questions" className="mb-6">
      <h2 className="mb-1 text-desk">{data.questions.length === 1 ? 'One question waits' : `${data.questions.length} questions wait`}</h2>
      <ol className="divide-y divide-seam border-y border-seam">
        {data.questions.map(({ id, critiqueId, clientName, fixName, spoken, words, askedAt }) => (
          <li key={id} className="flex items-baseline gap-4 py-2">
            <span className="w-36 shrink-0 font-semibold">{clientName}</span>
            <span className="min-w-0 grow">
              <Link to={`/critiques/${critiqueId}#question-${id}`} className="linked line-clamp-2">
                {words}
              </Link>
              {fixName && <span className="text-small text-reed"> about {fixName}</span>}
              {spoken && <span className="text-small text-reed"> about what you said at {clockText(spoken.at)}</span>}
            </span>
            <span className="shrink-0 text-small text-reed">{dayAndHour(askedAt, now)}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
