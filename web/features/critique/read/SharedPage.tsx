import {
  getSharedClip,
  getSharedCoachClip,
  getSharedStill,
  getSharedVoice,
  type ClipFrames,
  type SentTake,
  type SharedCritique,
} from '@lean-mentor/contract';
import { placeOfTake } from '@lean-mentor/core/critique';
import { clockText } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { Fetched } from '../../../shared/fetched/index.ts';
import { Wordmark } from '../../../shared/primitives/index.ts';
import { addressOf } from '../../../shared/wire/index.ts';
import { SharedFilm } from '../../films/index.ts';
import { useGetSharedCritiqueQuery } from '../api.ts';
import { BesideFigure } from './BesideFigure.tsx';
import { CoachClip } from './CoachClip.tsx';
import { DocBlocks, type DocSlots } from './DocBlocks.tsx';
import { LoopingClip } from './LoopingClip.tsx';
import { Transcript } from './HeardTake.tsx';
import { ScoredLines } from './Side.tsx';
import { MomentFigure, type Playing } from './MomentFigure.tsx';

/** A critique for somebody without a sign-in, who was given a link: to read, with its moments, and nothing else. */
export function SharedPage() {
  const { token = '' } = useParams();
  const fetched = useGetSharedCritiqueQuery(token);
  return (
    <div className="mx-auto max-w-[640px] px-5 pb-16 text-read">
      <header className="flex h-14 items-center border-b border-seam">
        <Wordmark />
      </header>
      <main className="flex flex-col gap-4 py-6">
        <Fetched of={{ ...fetched, refetch: undefined }} rows={3} advice="Ask the coach who sent it for a new one.">
          {(data) => (
            <>
              <div className="text-desk text-reed">
                <h1 className="inline font-sans font-normal font-stretch-normal">
                  {data.coachName} to {data.clientName}, {format(data.sentAt, 'd MMMM yyyy')}.
                </h1>{' '}
                You read it by a link that was made for you; please do not pass it on.
              </div>
              <DocBlocks blocks={data.doc.content} slots={slotsOf(data, token)} />
              <ScoredLines scores={data.scores} />
            </>
          )}
        </Fetched>
      </main>
    </div>
  );
}

/** What is spoken, by a link: as a film of what was shown, and its words. The footage under it is for its client alone. */
function SharedSpoken({ take, place, token, hasPicture }: { take: SentTake; place: number; token: string; hasPicture: boolean }) {
  const title = take.title || 'Spoken';
  const address = addressOf(getSharedVoice, { token, place });
  const voice = take.ready ? (
    <audio src={address} aria-label={`${title}: the voice`} controls preload="metadata" className="w-full" />
  ) : (
    <p>The voice is being made ready. Open this page again in a minute.</p>
  );
  return (
    <section aria-label={`Spoken: ${title}`} className="flex flex-col gap-1">
      <p className="text-desk text-reed">
        {title}, <span className="time">{clockText(take.seconds)}</span>
      </p>
      {hasPicture ? <SharedFilm token={token} place={place} label={title} voice={voice} /> : voice}
      <Transcript take={take} />
    </section>
  );
}

const slotsOf = (critique: SharedCritique, token: string): DocSlots => ({
  moment: ({ noteId, show, heard }) =>
    show === 'beside' ? (
      <SharedBeside key={`${noteId} beside`} {...{ critique, token, noteId }} />
    ) : (
      <MomentFigure
        key={noteId}
        {...{ moments: critique.moments, footages: critique.footages, noteId, show, heard }}
        still={addressOf(getSharedStill, { token, noteId, picture: 'still.png' })}
        clock={() => critique.frames[noteId] && <span className="time">{clockText(critique.frames[noteId].clockSeconds)}</span>}
        clip={(playing) => (
          <SharedClip {...playing} address={addressOf(getSharedClip, { token, noteId })} frames={critique.frames[noteId]} />
        )}
      />
    ),
  clip: (clipId) => <CoachClip clips={critique.clips} clipId={clipId} address={addressOf(getSharedCoachClip, { token, clipId })} />,
  take: (attrs) => {
    const place = placeOfTake(critique.takes, attrs);
    const take = critique.takes[place];
    const hasPicture = critique.footages.some(({ id, state }) => id === take?.footageId && state === 'ready');
    return take ? <SharedSpoken {...{ take, place, token, hasPicture }} /> : null;
  },
  fix: (block, show) => (
    <section className="flex flex-col gap-3">
      <h2 className="flex items-baseline gap-3 border-t border-ink pt-2">
        <span className="font-head text-banner leading-none">
          {critique.fixes.find(({ fixId }) => fixId === block.attrs.fixId)?.position}
        </span>
        <span className="text-title">{block.attrs.name}</span>
      </h2>
      {show(block.content)}
    </section>
  ),
});

/** What was laid beside a moment, as one picture: a link opens no footage. */
function SharedBeside({ critique, token, noteId }: { critique: SharedCritique; token: string; noteId: string }) {
  const moment = critique.moments.find(({ note }) => note.id === noteId);
  const still = addressOf(getSharedStill, { token, noteId, picture: 'beside.png' });
  return moment ? <BesideFigure {...{ moment, still }} footages={critique.footages} steps={false} /> : null;
}

/** The seconds around a moment, cut out of the footage: a link opens no more of it. */
function SharedClip({ address, frames, ...playing }: Playing & { address: string; frames: ClipFrames | undefined }) {
  const { moment, footage } = playing;
  const table = useMemo(() => frames && { times: frames.times, endSeconds: moment.clipToSeconds }, [frames, moment]);
  return (
    <LoopingClip
      key={playing.speed}
      {...playing}
      address={address}
      beginsAt={moment.clipFromSeconds}
      table={table}
      tableFrom={frames?.fromFrame ?? 0}
      width={footage.width}
      height={footage.height}
    />
  );
}
