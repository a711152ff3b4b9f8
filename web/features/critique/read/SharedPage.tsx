import { getSharedClip, getSharedStill, type SharedCritique } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Pause, Play } from 'lucide-react';
import { useState } from 'react';
import { useParams } from 'react-router';
import { Button, FaultNote, RowsSkeleton, Wordmark } from '../../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../../shared/wire/index.ts';
import { useGetSharedCritiqueQuery } from '../api.ts';
import { DocBlocks, type DocSlots } from './DocBlocks.tsx';
import { Still } from './Still.tsx';

/** A critique for somebody without a sign-in, who was given a link: to read, with its moments, and nothing else. */
export function SharedPage() {
  const { token = '' } = useParams();
  const { data, error } = useGetSharedCritiqueQuery(token);
  return (
    <div className="mx-auto max-w-[640px] px-5 pb-16 text-read">
      <header className="flex h-14 items-center border-b border-seam">
        <Wordmark />
      </header>
      <main className="flex flex-col gap-4 py-6">
        {error && <FaultNote>{faultWords(error)} Ask the coach who sent it for a new one.</FaultNote>}
        {!data && !error && <RowsSkeleton rows={3} />}
        {data && (
          <>
            <p className="text-desk text-reed">
              {data.coachName} to {data.clientName}, {format(data.sentAt, 'd MMMM yyyy')}. You read it by a link that was made for you;
              please do not pass it on.
            </p>
            <DocBlocks blocks={data.doc.content} slots={slotsOf(data, token)} />
          </>
        )}
      </main>
    </div>
  );
}

const slotsOf = (critique: SharedCritique, token: string): DocSlots => ({
  moment: (noteId, show) => <SharedMoment key={noteId} critique={critique} token={token} noteId={noteId} show={show} />,
  clip: () => null,
  fix: (block, inside) => (
    <section className="flex flex-col gap-3">
      <h2 className="flex items-baseline gap-3 border-t border-ink pt-2">
        <span className="font-head text-banner leading-none">
          {critique.fixes.find(({ fixId }) => fixId === block.attrs.fixId)?.position}
        </span>
        <span className="text-title">{block.attrs.name}</span>
      </h2>
      {inside}
    </section>
  ),
});

const slow = 0.5;

function SharedMoment({
  critique,
  token,
  noteId,
  show,
}: {
  critique: SharedCritique;
  token: string;
  noteId: string;
  show: 'clip' | 'still';
}) {
  const [playing, setPlaying] = useState(false);
  const moment = critique.moments.find(({ note }) => note.id === noteId);
  const footage = critique.footages.find(({ id }) => id === moment?.note.footageId);
  if (!moment || !footage) return null;
  if (footage.state === 'removed')
    return <p className="border-y border-seam py-3 text-desk text-reed">The footage of this was removed. What was written stays.</p>;
  return (
    <figure>
      <div className="relative w-full overflow-hidden bg-stage" style={{ aspectRatio: `${footage.width} / ${footage.height}` }}>
        <Still address={addressOf(getSharedStill, { token, noteId })} words={moment.note.what} />
        {playing && (
          <video
            src={addressOf(getSharedClip, { token, noteId })}
            autoPlay
            loop
            muted
            playsInline
            aria-label={`Clip: ${moment.note.what}`}
            onLoadedMetadata={({ currentTarget }) => (currentTarget.playbackRate = slow)}
            className="absolute inset-0 size-full object-contain"
          />
        )}
      </div>
      {show === 'clip' && (
        <Button look="plain" className="mt-1.5 min-h-11" onClick={() => setPlaying(!playing)}>
          {playing ? <Pause size={15} aria-hidden /> : <Play size={15} aria-hidden />} {playing ? 'Hold still' : 'Play at half speed'}
        </Button>
      )}
    </figure>
  );
}
