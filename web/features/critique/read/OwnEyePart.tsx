import type { Critique } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { ownEye } from '@lean-mentor/core/followup';
import { useAccount } from '../../access/index.ts';

/** What the client saw before sending, beside what the coach did: agreed, seen differently, not seen. Nothing where they marked nothing. */
export function OwnEyePart({ critique }: { critique: Critique }) {
  const { asked, moments, fixes, scores } = critique;
  const isTheirs = useAccount()?.role === 'client';
  const { clientMarks: marks, ownScore } = asked;
  if (marks.length === 0 && !ownScore) return null;
  const seen = moments.map(({ note: { id, footageId, kind, athlete }, atSeconds }) => ({ id, footageId, kind, athlete, atSeconds }));
  const eye = ownEye(marks, seen, fixes[0]?.noteIds ?? []);
  const whose = isTheirs ? 'Your' : 'Their';
  const who = isTheirs ? 'you' : 'they';
  const of = (markId: string) => marks.find(({ id }) => id === markId)!;
  return (
    <section aria-label={`${whose} own eye`} className="not-printed flex flex-col gap-2 border-t border-seam pt-4">
      <h2 className="text-read">{whose} own eye</h2>
      <ul className="flex flex-col gap-1">
        {eye.agreed.map(({ markId, noteId }) => (
          <li key={markId}>
            <span className="time">{clockText(of(markId).atSeconds)}</span> agreed
            {of(markId).words && `: “${of(markId).words}”`}. The coach: {moments.find(({ note }) => note.id === noteId)!.note.what}
          </li>
        ))}
        {eye.notShared.map((markId) => (
          <li key={markId}>
            <span className="time">{clockText(of(markId).atSeconds)}</span> seen differently
            {of(markId).words && `: “${of(markId).words}”`}. The coach sent nothing about it.
          </li>
        ))}
        {eye.notSeen.length > 0 && (
          <li>
            Not seen by {isTheirs ? 'you' : 'them'}:{' '}
            {moments
              .filter(({ note }) => eye.notSeen.includes(note.id))
              .map(({ atSeconds }) => clockText(atSeconds))
              .join(', ')}
            .
          </li>
        )}
      </ul>
      {eye.began && (
        <p>{eye.began === 'agreed' ? `Where it began: as ${who} thought.` : `Where it began: elsewhere than ${who} thought.`}</p>
      )}
      {ownScore && scores[0] && (
        <p className="time">
          {whose} score {ownScore.client} : {ownScore.partner}; by the sheet {scores[0].score.client.points} :{' '}
          {scores[0].score.partner.points}
        </p>
      )}
    </section>
  );
}
