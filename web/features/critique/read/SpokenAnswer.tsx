import { streamAnswerVoice, type AnswerTake, type Critique, type Question } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { addressOf } from '../../../shared/wire/index.ts';
import { useOpenDeskQuery } from '../../desk/index.ts';
import { useListTakesQuery } from '../../takes/index.ts';
import { useGetAnswerTakeQuery, useGetCritiqueQuery } from '../api.ts';
import { HeardTake, Transcript } from './HeardTake.tsx';
import { Select } from '../../../shared/primitives/index.ts';

/** A voice that is being made ready is asked after this often, in ms. */
const lookAgainMs = 3000;

/** An answer that is spoken over the footage. */
export function SpokenAnswer({ critique, question, take }: { critique: Critique; question: Question; take: AnswerTake }) {
  const { data: log } = useGetAnswerTakeQuery(question.id, { skip: !take.ready });
  const { refetch } = useGetCritiqueQuery(critique.id);
  useEffect(() => {
    if (take.ready) return;
    const timer = setInterval(() => void refetch(), lookAgainMs);
    return () => clearInterval(timer);
  }, [take.ready, refetch]);
  const title = `${take.title}, an answer to ${question.askedBy}`;
  return (
    <div className="not-printed" data-answer-take>
      {take.ready ? (
        <HeardTake
          critique={critique}
          take={take}
          log={log}
          voice={addressOf(streamAnswerVoice, { questionId: question.id })}
          label={title}
        />
      ) : (
        <p role="status">The spoken answer is being made ready. It stands here in a moment.</p>
      )}
      <Transcript take={take} />
    </div>
  );
}

interface AnswerTakesProps {
  critique: Critique;
  takeId: string | null;
  onTake: (takeId: string | null) => void;
}

/** Which take on the desk an answer is spoken with, if any, and the way to the desk to speak one. */
export function AnswerTakes({ critique, takeId, onTake }: AnswerTakesProps) {
  const { requestId } = critique;
  const { data: desk } = useOpenDeskQuery(requestId, { refetchOnMountOrArgChange: true });
  const { data: recordings = [] } = useListTakesQuery(requestId);
  const takes = recordings.flatMap(({ id, state, seconds }) => {
    const take = desk?.document.takes[id];
    return take && state === 'ready' ? [{ id, title: take.title, seconds }] : [];
  });
  return (
    <span className="flex flex-wrap items-center gap-3">
      {takes.length > 0 && (
        <Select
          label="With something spoken"
          value={takeId ?? ''}
          options={[
            { value: '', words: 'in words only' },
            ...takes.map(({ id, title, seconds }, i) => ({
              value: id,
              words: `with “${title || `Take ${i + 1}`}”, ${clockText(seconds)}`,
            })),
          ]}
          onChange={(id) => onTake(id || null)}
          className="rounded-sm border border-seam bg-linen px-2 py-2"
        />
      )}
      <Link to={`/requests/${requestId}/desk`} className="linked">
        Speak one at the desk
      </Link>
    </span>
  );
}
