import type { Note } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { placeWords, scoreAt, scoreText, stakesAt } from '@lean-mentor/core/scoring';
import { useScene, useContents } from '../DeskScene.ts';
import { useScored } from '../score/useScore.ts';
import { useClockAt } from '../score/useClockAt.ts';

const stakesShort = { safe: 'safe', 'knife-edge': 'knife-edge', 'must-score': 'must score' } as const;

/** Where a note stands, from what is known: clock, position and who holds it. */
export function NoteFacts({ note }: { note: Note }) {
  const { boutAt, isLost, subject } = useScene();
  const answers = subject.answers.filter(({ noteId }) => noteId === note.id);
  const names = { client: subject.client.name.split(' ')[0]!, partner: 'the partner' };
  const { bouts } = useContents();
  const { scored } = useScored();
  const id = boutAt(note.fromFrame)?.id;
  const bout = bouts.find((here) => here.bout.id === id)?.bout;
  const score = scored.find(({ here }) => here.bout.id === id);
  const at = score ? Math.max(0, score.since(note.fromFrame)) : 0;
  const stakes = score && stakesAt(score.timed, score.sheet, score.standing, at);
  const clockAt = useClockAt();
  const clock = (frame: number): string => clockText(clockAt(frame));
  const span = bout?.spans.find(({ fromFrame, toFrame }) => fromFrame <= note.fromFrame && note.fromFrame < toFrame);
  return (
    <>
      <p className="text-small text-reed">
        At <span className="time">{clock(note.fromFrame)}</span>
        {note.toFrame !== null && (
          <>
            {' '}
            to <span className="time">{clock(note.toFrame)}</span>
          </>
        )}
        {score && score.sheet.pointsCount !== 'never' && (
          <>
            {' '}
            with <span className="time">{scoreText(scoreAt(score.timed, score.standing, at))}</span>
            {stakes?.state && ` (${stakesShort[stakes.state]})`}
          </>
        )}
        {span ? `: ${placeWords(span, names)}.` : '. Positions are not coded here.'}
      </p>
      {note.seen !== 'hidden' && isLost(note.fromFrame) && (
        <p className="border-l-4 border-brass pl-2 text-small">The action is out of the picture here: was it seen, or is it hidden?</p>
      )}
      {answers.length > 0 && (
        <ul aria-label="What the client answered" className="border-l-2 border-pine pl-2 text-small">
          {answers.map(({ by, words }) => (
            <li key={words}>
              <span className="font-semibold">{by}:</span> {words}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
