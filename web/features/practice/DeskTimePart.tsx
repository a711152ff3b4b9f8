import type { WorkHands } from '@lean-mentor/contract';
import { deskTimeFrom, estimateRecord, reviewKinds, type DeskTime, type PastReview } from '@lean-mentor/core/queue';

const kindWords = { match: 'A match', sparring: 'Sparring' } as const;
const many = (n: number, one: string, more: string): string => (n === 1 ? `one ${one}` : `${n} ${more}`);
const ratioWords = (log: number): string => Math.exp(log).toFixed(1);

function madeOf({ of, apart, spoken, spokenReviews }: DeskTime): string[] {
  const from = (reviews: number): string =>
    reviews === 0
      ? 'believed; no review has been measured yet'
      : `from ${many(reviews, 'review', 'reviews')} and the belief of 3.0, which weighs as four`;
  const kinds = apart
    ? reviewKinds.map(
        (kind) => `${kindWords[kind]} takes ${ratioWords(of[kind].mean)} minutes at the desk a minute of bout: ${from(of[kind].reviews)}.`,
      )
    : [
        `A review takes ${ratioWords(of.match.mean)} minutes at the desk a minute of bout: ${from(of.match.reviews)}.`,
        'Matches and sparring are told apart once five of each were measured.',
      ];
  return [
    ...kinds,
    `A spoken answer takes ${ratioWords(spoken)} times as long: from ${many(spokenReviews, 'one', 'of them')} and the belief of 1.25.`,
  ];
}

/** What estimates are made of, how good they were, and who worked how long. */
export function DeskTimePart({ past, hands, weeks }: { past: readonly PastReview[]; hands: WorkHands; weeks: number }) {
  const { reviews, inRange, middleRatio } = estimateRecord(past);
  return (
    <>
      <section aria-label="How long a review takes" className="flex flex-col gap-2">
        <h2 className="border-t border-ink pt-2 text-desk">How long a review takes</h2>
        <ul>
          {madeOf(deskTimeFrom(past)).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
        {middleRatio !== null && (
          <p>
            Looked back: {inRange} of {reviews} took a time within the range that should hold eight in ten; the middle one took{' '}
            {middleRatio.toFixed(2)} times what had been estimated from those before it.
          </p>
        )}
      </section>
      <section aria-label="Who worked how long" className="flex flex-col gap-2">
        <h2 className="border-t border-ink pt-2 text-desk">Who worked how long, over the last {weeks} weeks</h2>
        {hands.length === 0 && <p className="text-reed">No time at the desk was measured yet.</p>}
        <ul className="divide-y divide-seam border-y border-seam empty:hidden">
          {hands.map(({ name, hours, requests }) => (
            <li key={name} className="flex gap-6 py-1.5">
              <span className="w-44 font-semibold">{name}</span>
              <span className="time w-16 text-right">{hours.toFixed(1)} h</span>
              <span className="text-reed">on {many(requests, 'request', 'requests')}</span>
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}
