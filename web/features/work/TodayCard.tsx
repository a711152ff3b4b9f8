import type { ClientWork } from '@lean-mentor/contract';
import { cautionWords } from '@lean-mentor/core/care';
import { Link } from 'react-router';
import { StartDrawing } from './StartDrawing.tsx';
import { WorkClips } from './WorkClips.tsx';
import { lengthWords, startWords, wantedWords } from './words.ts';

interface TodayCardProps {
  clientId: string;
  owner: string;
  work: ClientWork;
  /** It is the first of the day: the one that is to be done now. */
  first: boolean;
}

/** What is to be done today: its start as a drawing, what is said on the mat, one large button. */
export function TodayCard({ clientId, owner, work, first }: TodayCardProps) {
  const { terms, principleName } = work;
  return (
    <article aria-label={terms.name} className="flex flex-col gap-3 border-t-2 border-ink pt-4">
      <p className="text-desk font-semibold text-pine">Today</p>
      <h2 className="text-title">{terms.name}</h2>
      {principleName && principleName !== terms.name && <p className="text-desk text-reed">For: {principleName}</p>}
      {terms.kind === 'round' && <StartDrawing start={terms.test.start} className="border-y border-seam py-3" />}
      {terms.cue && <p className="text-read font-semibold">“{terms.cue}”</p>}
      <Link
        to={`/work/${clientId}/${work.id}`}
        aria-label={`Begin: ${terms.name}`}
        className={`flex min-h-16 items-center justify-center rounded-sm border text-title font-semibold ${first ? 'border-pine bg-pine text-linen' : 'border-pine bg-linen text-pine'}`}
      >
        Begin
      </Link>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {terms.kind === 'round' && (
          <>
            <dt className="text-reed">Start</dt>
            <dd>{startWords(terms.test.start)}, every time anew</dd>
            <dt className="text-reed">Ends with</dt>
            <dd>{terms.test.ways.map(({ words }) => words).join(', ')}</dd>
            {wantedWords(terms) && (
              <>
                <dt className="text-reed">Partner</dt>
                <dd>{wantedWords(terms)}</dd>
              </>
            )}
          </>
        )}
        <dt className="text-reed">Time</dt>
        <dd>{lengthWords(terms)}</dd>
        {terms.equipment && (
          <>
            <dt className="text-reed">Needs</dt>
            <dd>{terms.equipment}</dd>
          </>
        )}
      </dl>
      {terms.how && <p className="whitespace-pre-line">{terms.how}</p>}
      <WorkClips clientId={clientId} owner={owner} clips={work.clips} />
      <p className="border-l-4 border-brick pl-3 text-desk">{cautionWords[terms.caution]}</p>
    </article>
  );
}
