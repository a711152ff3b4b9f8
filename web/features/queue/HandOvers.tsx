import type { HandOver } from '@lean-mentor/contract';
import { actsOf, needsWord, type HandOverAct } from '@lean-mentor/core/queue';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button, FaultNote, smallInputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useActOnHandOverMutation, useListHandOversQuery } from './api.ts';
import { byDayWords, partWords } from './words.ts';

const actWords: Record<HandOverAct, string> = {
  offer: 'It is done',
  decline: 'Not me …',
  take: 'Take it',
  'send-back': 'Send back …',
  'take-back': 'Take it back',
};

/** Work in other hands: what is offered first, then what is asked for, soonest first. Nothing where there is none. */
export function HandOvers({ now }: { now: Date }) {
  const { data } = useListHandOversQuery(undefined, { pollingInterval: 60_000, refetchOnMountOrArgChange: true });
  if (!data || data.handOvers.length === 0) return null;
  const rows = [...data.handOvers].sort((a, b) => Number(b.state === 'offered') - Number(a.state === 'offered'));
  const mine = rows.some(({ side }) => side === 'doer');
  return (
    <section aria-label="In other hands" className="mb-6">
      <h2 className="mb-1 text-desk">{mine ? 'Handed to you' : 'In other hands'}</h2>
      <ol className="divide-y divide-seam border-y border-seam">
        {rows.map((one) => (
          <HandOverRow key={one.id} handOver={one} now={now} />
        ))}
      </ol>
    </section>
  );
}

/** Who has it, or who asks for it, and how it stands. */
function standWords({ side, state, from, to }: HandOver): string {
  if (side === 'doer') return state === 'offered' ? `offered to ${from.name}` : `asked by ${from.name}`;
  return state === 'offered' ? `${to.name} has done it` : `with ${to.name}`;
}

function HandOverRow({ handOver, now }: { handOver: HandOver; now: Date }) {
  const { id, requestId, bout, clientName, part, dueOn, state, said, side } = handOver;
  const [act, { isLoading, error }] = useActOnHandOverMutation();
  const [asking, setAsking] = useState<HandOverAct | null>(null);
  const send = async (what: HandOverAct, words: string): Promise<void> => {
    const { error: refused } = await act({ handOverId: id, act: what, words });
    if (!refused) setAsking(null);
  };
  return (
    <li data-hand-over={part} className="py-2">
      <div className="flex items-baseline gap-4">
        <span className="w-36 shrink-0 truncate font-semibold">{clientName}</span>
        <span className="min-w-0 grow">
          <Link to={`/requests/${requestId}/desk${bout ? `?footage=${bout.footageId}&frame=${bout.fromFrame}` : ''}`} className="linked">
            {partWords[part]}
          </Link>
          <span className="text-reed">
            {' '}
            {standWords(handOver)}
            {state === 'asked' && `, ${byDayWords(dueOn, now)}`}
          </span>
        </span>
        <span className="flex shrink-0 whitespace-nowrap">
          {side &&
            actsOf(state, side).map((one) => (
              <Button
                key={one}
                look={one === 'take' || one === 'offer' ? 'plain' : 'quiet'}
                busy={isLoading}
                aria-label={`${actWords[one]}: ${partWords[part]}, ${clientName}`}
                onClick={() => (needsWord(one) ? setAsking(asking === one ? null : one) : void send(one, ''))}
              >
                {actWords[one]}
              </Button>
            ))}
        </span>
      </div>
      {said.map(({ by, at, words }) => (
        <p key={at} className="ml-40 text-small text-reed">
          {by}: {words}
        </p>
      ))}
      {asking && <WordForm act={asking} onSend={(words) => void send(asking, words)} />}
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </li>
  );
}

function WordForm({ act, onSend }: { act: HandOverAct; onSend: (words: string) => void }) {
  const [words, setWords] = useState('');
  return (
    <form
      className="mt-2 ml-40 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onSend(words);
      }}
    >
      <input
        autoFocus
        required
        aria-label="A word on why"
        placeholder="A word on why"
        maxLength={400}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        className={smallInputClass}
      />
      <Button type="submit" look="plain" className="shrink-0">
        {act === 'decline' ? 'Send it back undone' : 'Send it back'}
      </Button>
    </form>
  );
}
