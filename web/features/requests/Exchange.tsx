import type { Saying } from '@lean-mentor/contract';
import { format } from 'date-fns';

const kinds: Record<Saying['kind'], string> = {
  'need-footage': 'needs other footage first',
  'need-context': 'needs to know first',
  answer: 'answered',
  'sent-back': 'sent it back',
  unreadable: 'cannot read the video',
};

/** What was said to and fro before a request could be answered. */
export const Exchange = ({ exchange }: { exchange: readonly Saying[] }) => (
  <ol aria-label="Said so far" className="flex flex-col gap-2 empty:hidden">
    {exchange.map(({ at, byName, kind, words }) => (
      <li key={at} className="border-l-2 border-pine pl-3">
        <p className="text-desk text-reed">
          {byName} {kinds[kind]}, {format(at, 'd MMM, H:mm')}
        </p>
        <p className="whitespace-pre-line">{words}</p>
      </li>
    ))}
  </ol>
);
