import { format } from 'date-fns';
import { Link } from 'react-router';
import { useGetOwnEyeQuery } from './api.ts';

const verdicts = {
  better: 'Your eye gets closer to your coach’s.',
  worse: 'Your eye and your coach’s are further apart than at first.',
  'about-the-same': 'Your eye is about as close as at first.',
  'too-little': 'Too few marks to say yet whether it gets closer.',
} as const;

/** One's own marks beside the coach's, critique by critique. Nothing where nothing was marked. */
export function EyeOverTime({ clientId }: { clientId: string }) {
  const { data } = useGetOwnEyeQuery(clientId);
  if (!data || data.critiques.length === 0) return null;
  return (
    <section aria-label="Your own eye" className="flex flex-col gap-2">
      <h2 className="text-title">Your own eye</h2>
      {data.verdict && <p className="font-semibold">{verdicts[data.verdict]}</p>}
      <ul className="divide-y divide-seam border-y border-seam">
        {data.critiques.map(({ critiqueId, sentAt, agreed, notShared, notSeen, began }) => (
          <li key={critiqueId} className="py-1">
            <Link className="linked inline-flex min-h-11 items-center" to={`/critiques/${critiqueId}`}>
              {format(sentAt, 'd MMM yyyy')}
            </Link>
            : {agreed} agreed, {notSeen} not seen, {notShared} seen differently
            {began && (began === 'agreed' ? '; it began where you thought' : '; it began elsewhere')}.
          </li>
        ))}
      </ul>
      <p className="text-desk text-reed">Mark what you see before you send: two marks within two seconds are the same one.</p>
    </section>
  );
}
