import { getMomentStill, streamCritiqueClip, type Critique, type MomentPicture } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Fragment, useEffect, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../../shared/fetched/index.ts';
import { Button, FaultNote } from '../../../shared/primitives/index.ts';
import { addressOf, faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { BoutClock, warmDecoder } from '../../footage/index.ts';
import { useGetCritiqueQuery, useMarkCritiqueReadMutation, useTakeBackCritiqueMutation } from '../api.ts';
import { BesideFigure } from './BesideFigure.tsx';
import { CoachClip } from './CoachClip.tsx';
import { DocBlocks, type DocSlots } from './DocBlocks.tsx';
import { FixSection } from './FixSection.tsx';
import { FootageClip } from './FootageClip.tsx';
import { ForkMoment, isAsked } from './ForkMoment.tsx';
import { MomentFigure } from './MomentFigure.tsx';
import { PlayheadProvider, useNewPlayhead } from './playhead.ts';
import { Questions } from './Questions.tsx';
import { ShareBox } from './ShareBox.tsx';
import { OwnEyePart } from './OwnEyePart.tsx';
import { SpokenPart } from './SpokenPart.tsx';
import { Side } from './Side.tsx';
import { TakeOut } from './TakeOut.tsx';
import { WhatChanged } from './WhatChanged.tsx';

/** What was sent, as a page: what was asked, what went well, the fixes, and the round sheet at the side. */
export function CritiquePage() {
  const { critiqueId = '' } = useParams();
  const fetched = useGetCritiqueQuery(critiqueId);
  const { data } = fetched;
  const playhead = useNewPlayhead();
  const isSpoken = (data?.takes.length ?? 0) > 0;
  useEffect(() => {
    if (isSpoken) warmDecoder();
  }, [isSpoken]);
  if (!data) return <Fetched of={fetched} rows={3} className="py-8" />;
  return (
    <PlayheadProvider value={playhead}>
      <main className="critique-read mx-auto grid max-w-[1060px] gap-x-14 gap-y-10 py-6 text-read lg:grid-cols-[minmax(0,640px)_1fr]">
        <article className="flex flex-col gap-4 print:gap-2">
          <Head critique={data} />
          <DocBlocks blocks={data.doc.content} slots={slotsOf(data)} />
          <Questions critique={data} fixId={null} />
          <OwnEyePart critique={data} />
          <WorkLine critique={data} />
          <ReadLine critique={data} />
        </article>
        <Side critique={data} />
      </main>
    </PlayheadProvider>
  );
}

const slotsOf = (critique: Critique): DocSlots => ({
  moment: ({ noteId, show, heard }) =>
    show === 'beside' ? (
      <LaidBeside key={`${noteId} beside`} critique={critique} noteId={noteId} />
    ) : (
      <Fragment key={noteId}>
        <AtItsFork critique={critique} noteId={noteId}>
          <MomentFigure
            {...{ moments: critique.moments, footages: critique.footages, noteId, show, heard }}
            still={pictureAddress(critique, noteId, 'still.png')}
            clock={(footage, atFrame) => <BoutClock footage={footage} atFrame={atFrame} />}
            clip={(playing) => <FootageClip {...playing} />}
          />
        </AtItsFork>
        {critique.moments.some(({ note }) => note.id === noteId && note.kind === 'question') && (
          <Questions critique={critique} fixId={null} asked={noteId} />
        )}
      </Fragment>
    ),
  clip: (clipId) => (
    <CoachClip clips={critique.clips} clipId={clipId} address={addressOf(streamCritiqueClip, { critiqueId: critique.id, clipId })} />
  ),
  take: (attrs) => <SpokenPart critique={critique} attrs={attrs} />,
  fix: (block, show) => <FixSection critique={critique} block={block} show={show} />,
});

const pictureAddress = ({ id: critiqueId, version }: Critique, noteId: string, picture: MomentPicture): string =>
  addressOf(getMomentStill, { critiqueId, version, noteId, picture });

/** What was laid beside a moment; where the client is asked first what they would do, it is not told before. */
function LaidBeside({ critique, noteId }: { critique: Critique; noteId: string }) {
  const isTheirs = useAccount()?.role === 'client';
  const { moments, footages, forkChoices } = critique;
  const moment = moments.find(({ note }) => note.id === noteId);
  const footage = footages.find(({ id }) => id === moment?.note.footageId);
  if (!moment || !footage || (isTheirs && !forkChoices[noteId] && isAsked(moment, footage))) return null;
  return <BesideFigure {...{ moment, footages }} still={pictureAddress(critique, noteId, 'beside.png')} steps />;
}

/** A moment behind its decision, where there was one. */
function AtItsFork({ critique, noteId, children }: { critique: Critique; noteId: string; children: ReactNode }) {
  const moment = critique.moments.find(({ note }) => note.id === noteId);
  const footage = critique.footages.find(({ id }) => id === moment?.note.footageId);
  return moment?.note.fork && footage ? <ForkMoment {...{ critique, moment, footage }}>{children}</ForkMoment> : children;
}

function Head({ critique }: { critique: Critique }) {
  const role = useAccount()?.role;
  const coaching = role === 'coach' || role === 'assistant';
  return (
    <header className="flex flex-col gap-3">
      <div className="flex flex-wrap items-baseline gap-x-4 text-desk text-reed">
        <h1 className="font-sans font-normal font-stretch-normal">
          {critique.coachName} to {critique.clientName}, {format(critique.sentAt, 'd MMMM yyyy')}
        </h1>
        {coaching && (
          <Link to={`/requests/${critique.requestId}/critique`} className="linked not-printed">
            Change it
          </Link>
        )}
        {role !== 'assistant' && <ShareBox critique={critique} />}
        <TakeOut critique={critique} />
      </div>
      {coaching && critique.takeBackUntil && <TakeBack critique={critique} />}
      <WhatChanged critique={critique} />
    </header>
  );
}

function TakeBack({ critique }: { critique: Critique }) {
  const [takeBack, { isLoading, error }] = useTakeBackCritiqueMutation();
  const navigate = useNavigate();
  const go = async (): Promise<void> => {
    const answer = await takeBack(critique.id);
    if (answer.error) return;
    toast(`Taken back. ${critique.clientName.split(' ')[0]} does not see it.`);
    await navigate(`/requests/${critique.requestId}/critique`);
  };
  return (
    <div className="not-printed flex flex-wrap items-center gap-3 text-desk">
      Sent. It can be taken back until {format(critique.takeBackUntil!, 'H:mm')}.
      <Button look="plain" busy={isLoading} onClick={() => void go()}>
        Take it back
      </Button>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
    </div>
  );
}

/** The way from what was said to what is done about it. */
function WorkLine({ critique }: { critique: Critique }) {
  const role = useAccount()?.role;
  const coaching = role === 'coach' || role === 'assistant';
  const [fix] = critique.fixes;
  return (
    <Link
      className="not-printed linked inline-flex min-h-11 items-center self-start"
      to={
        coaching
          ? `/clients/${critique.clientId}/work/give?request=${critique.requestId}${fix?.principleId ? `&fix=${fix.principleId}` : ''}`
          : '/work'
      }
    >
      {coaching ? `Give ${critique.clientName.split(' ')[0]!} work for it` : 'What to do about it on the mat: My work'}
    </Link>
  );
}

function ReadLine({ critique }: { critique: Critique }) {
  const role = useAccount()?.role;
  const [markRead, { isLoading, error }] = useMarkCritiqueReadMutation();
  if (critique.readAt) return <p className="text-desk text-reed">Read on {format(critique.readAt, 'd MMMM yyyy, H:mm')}.</p>;
  if (role !== 'client' && role !== 'guardian') return <p className="text-desk text-reed">Not read yet.</p>;
  return (
    <div className="not-printed flex flex-col gap-3">
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button large busy={isLoading} onClick={() => void markRead(critique.id)}>
        I have read it
      </Button>
    </div>
  );
}
