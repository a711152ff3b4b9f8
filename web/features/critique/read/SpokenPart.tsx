import { streamSentVoice, type Critique, type SentTake } from '@lean-mentor/contract';
import { placeOfTake, type TakeBlock } from '@lean-mentor/core/critique';
import { clockText } from '@lean-mentor/core/footage';
import { heardParts } from '@lean-mentor/core/takes';
import { useEffect, useState } from 'react';
import { addressOf } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { FilmBox } from '../../films/index.ts';
import type { Playback } from '../../takes/index.ts';
import { useGetCritiqueQuery, useGetSentTakeQuery, useSaveHeardMutation } from '../api.ts';
import { HeardTake, Transcript } from './HeardTake.tsx';
import { Questions } from './Questions.tsx';

/** A voice that is being made ready is asked after this often, in ms. */
const lookAgainMs = 3000;

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
  const at = { critiqueId: critique.id, version: critique.version, place };
  const { data: log } = useGetSentTakeQuery(at);
  const role = useAccount()?.role;
  const listens = role === 'client' || role === 'guardian';
  const [save] = useSaveHeardMutation();
  const [playback, setPlayback] = useState<Playback | null>(null);
  return (
    <>
      <HeardTake
        critique={critique}
        take={take}
        log={log}
        voice={addressOf(streamSentVoice, at)}
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
