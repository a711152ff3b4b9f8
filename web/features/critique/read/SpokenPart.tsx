import { streamSentVoice, type Critique, type SentTake } from '@lean-mentor/contract';
import { placeOfTake, type TakeBlock } from '@lean-mentor/core/critique';
import { wholePicture } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { heardParts, type Take, type TakeEvent } from '@lean-mentor/core/takes';
import { useEffect, useMemo, useState } from 'react';
import { addressOf } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { FilmBox } from '../../films/index.ts';
import { useGetFrameTableQuery, useViewing } from '../../footage/index.ts';
import { TakePlayer, type Playback } from '../../takes/index.ts';
import { useGetCritiqueQuery, useGetSentTakeQuery, useSaveHeardMutation } from '../api.ts';
import { Questions } from './Questions.tsx';

/** A voice that is being made ready is asked after this often, in ms. */
const lookAgainMs = 3000;

/** Where nothing is left to be seen, the stage rests. */
const rest: TakeEvent = {
  ...{ t: 0, kind: 'stage', frame: 0, rate: 0, view: wholePicture, mirrored: false, strokes: [], drawings: [], note: null },
};
const noTable = { times: [0], endSeconds: 1 };

/** Something the coach said over the footage, on the critique's page. */
export function SpokenPart({ critique, attrs }: { critique: Critique; attrs: TakeBlock['attrs'] }) {
  const place = placeOfTake(critique.takes, attrs);
  const take = critique.takes[place];
  if (!take) return <p className="border-y border-seam py-3 text-desk text-reed">What was said here is not there any more.</p>;
  const title = take.title || 'Spoken';
  return (
    <section aria-label={`Spoken: ${title}`} data-spoken={place} className="break-inside-avoid">
      <p className="pb-1 text-desk text-reed">
        {title}, <span className="time">{clockText(take.seconds)}</span>
      </p>
      {/* On paper its title stands for it: two pages stay two pages. */}
      <div className="not-printed">
        {take.ready ? <Player critique={critique} take={take} place={place} title={title} /> : <NotReady critiqueId={critique.id} />}
        <HowFar take={take} />
        <Transcript take={take} />
        <AsFilm critique={critique} take={take} place={place} />
      </div>
    </section>
  );
}

function NotReady({ critiqueId }: { critiqueId: string }) {
  const { refetch } = useGetCritiqueQuery(critiqueId);
  useEffect(() => {
    const timer = setInterval(() => void refetch(), lookAgainMs);
    return () => clearInterval(timer);
  }, [refetch]);
  return (
    <p role="status" className="border-y border-seam py-3 text-desk">
      The voice is being made ready. It stands here in a moment.
    </p>
  );
}

interface PlayerProps {
  critique: Critique;
  take: SentTake;
  place: number;
  title: string;
}

function Player({ critique, take, place, title }: PlayerProps) {
  const footage = critique.footages.find(({ id }) => id === take.footageId);
  const gone = footage?.state !== 'ready';
  const at = { critiqueId: critique.id, version: critique.version, place };
  const { data: log } = useGetSentTakeQuery(at);
  const { data: table } = useGetFrameTableQuery(take.footageId, { skip: gone });
  const { addresses } = useViewing(take.footageId, { skip: gone });
  const role = useAccount()?.role;
  const listens = role === 'client' || role === 'guardian';
  const [save] = useSaveHeardMutation();
  const [playback, setPlayback] = useState<Playback | null>(null);
  const { captions, chapters, seconds } = take;
  const played = useMemo<Take | null>(() => {
    if (!log) return null;
    const events = log.events.length > 0 && !gone ? (log.events as TakeEvent[]) : [rest];
    return { seconds, events, captions, chapters, cuts: [] };
  }, [log, gone, seconds, captions, chapters]);
  const size = useMemo(() => ({ width: footage?.width ?? 16, height: footage?.height ?? 9 }), [footage?.width, footage?.height]);
  if (!played || (!gone && !table))
    return <div role="status" aria-label="Loading" className="aspect-video w-full animate-pulse bg-stage" />;
  return (
    <>
      <TakePlayer
        take={played}
        table={table ?? noTable}
        voice={addressOf(streamSentVoice, at)}
        source={gone ? null : addresses?.reviewCopy}
        size={size}
        label={`Spoken: ${title}`}
        startAt={leftAt(take)}
        onStretch={listens ? (from, to) => void save({ ...at, from, to }) : undefined}
        onPlayback={setPlayback}
      />
      {playback && (
        <Questions
          critique={critique}
          fixId={null}
          spoken={{
            place,
            title,
            stopHere: () => {
              playback.stop();
              return Math.min(take.seconds, playback.heard);
            },
            goTo: (heard) => playback.seek(heard),
          }}
        />
      )}
    </>
  );
}

/** The picture is the footage's: without it there is no film. */
function AsFilm({ critique, take, place }: Omit<PlayerProps, 'title'>) {
  const footage = critique.footages.find(({ id }) => id === take.footageId);
  if (footage?.state !== 'ready') return null;
  const size = { width: footage.width ?? 1280, height: footage.height ?? 720 };
  return <FilmBox of={{ critiqueId: critique.id, version: critique.version, place }} size={size} hasWords={take.captions.length > 0} />;
}

/** Where it was left; one that was heard to its end begins anew. */
function leftAt({ heard, seconds }: SentTake): number {
  const left = heard.at(-1)?.to ?? 0;
  return left > seconds - 2 ? 0 : left;
}

/** For the coach: how far it was listened to, part by part. */
function HowFar({ take }: { take: SentTake }) {
  const role = useAccount()?.role;
  if (role !== 'coach' && role !== 'assistant') return null;
  if (take.heard.length === 0) return <p className="pt-1 text-desk text-reed">Not listened to yet.</p>;
  const parts = heardParts(take, take.heard);
  return (
    <p className="pt-1 text-desk text-reed">
      Listened to:{' '}
      {parts.map(({ title, share, again }) => `${title || 'all'} ${Math.round(share * 100)} %${again > 0.2 ? ', again' : ''}`).join('; ')}.
    </p>
  );
}

/** What is said, to read. */
export function Transcript({ take }: { take: SentTake }) {
  if (take.captions.length === 0) return null;
  return (
    <details className="pt-1 text-desk">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-pine">All of it in words</summary>
      <ol className="flex flex-col gap-1">
        {take.captions.map(({ from, words }) => (
          <li key={from} className="flex gap-3">
            <span className="time shrink-0 text-reed">{clockText(from)}</span> {words}
          </li>
        ))}
      </ol>
    </details>
  );
}
