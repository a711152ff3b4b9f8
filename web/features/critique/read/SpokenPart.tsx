import { streamSentVoice, type Critique, type SentTake } from '@lean-mentor/contract';
import { placeOfTake, type TakeBlock } from '@lean-mentor/core/critique';
import { wholePicture } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import type { Take, TakeEvent } from '@lean-mentor/core/takes';
import { useEffect, useMemo } from 'react';
import { addressOf } from '../../../shared/wire/index.ts';
import { useGetFrameTableQuery, useViewing } from '../../footage/index.ts';
import { TakePlayer } from '../../takes/index.ts';
import { useGetCritiqueQuery, useGetSentTakeQuery } from '../api.ts';

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
      {take.ready ? <Player critique={critique} take={take} place={place} title={title} /> : <NotReady critiqueId={critique.id} />}
      <Transcript take={take} />
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
    <TakePlayer
      take={played}
      table={table ?? noTable}
      voice={addressOf(streamSentVoice, at)}
      source={gone ? null : addresses?.reviewCopy}
      size={size}
      label={`Spoken: ${title}`}
    />
  );
}

/** What is said, to read; printed, it stands for the voice. */
export function Transcript({ take }: { take: SentTake }) {
  if (take.captions.length === 0) return null;
  return (
    <details className="pt-1 text-desk print:open">
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
