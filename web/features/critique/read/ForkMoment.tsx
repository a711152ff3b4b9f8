import type { Critique, SentFootage, SentMoment } from '@lean-mentor/contract';
import { drawingsAtFrame } from '@lean-mentor/core/desk';
import { secondsOfFrame } from '@lean-mentor/core/footage';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Button, FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAccount } from '../../access/index.ts';
import { DrawingOverlay, useGetFrameTableQuery, useViewing } from '../../footage/index.ts';
import { useChooseAtForkMutation } from '../api.ts';

interface ForkMomentProps {
  critique: Critique;
  moment: SentMoment;
  footage: SentFootage;
  /** What happened: the moment as every other one is shown. */
  children: ReactNode;
}

const waysOf = ({ note: { fork } }: SentMoment) =>
  fork?.options.map((option, place) => ({ ...option, place })).filter((option) => option.do !== '') ?? [];

/** Whether the client is asked at a moment before they see it. */
export const isAsked = (moment: SentMoment, footage: Pick<SentFootage, 'state'>): boolean =>
  waysOf(moment).length >= 2 && footage.state === 'ready';

/**
 * A moment with a decision before it. For the client the clip stops where it opens and asks what they would do; only then it goes on to
 * what happened and to the coach’s order. Whoever else reads it sees both at once, with what the client chose.
 */
export function ForkMoment({ critique, moment, footage, children }: ForkMomentProps) {
  const { id: noteId, fork } = moment.note;
  const isTheirs = useAccount()?.role === 'client';
  const [choose, { data, error, isLoading }] = useChooseAtForkMutation();
  const chosen = data ?? critique.forkChoices[noteId];
  const ways = waysOf(moment);
  if (!fork || !isAsked(moment, footage)) return children;
  if (isTheirs && !chosen)
    return (
      <section data-fork={noteId} aria-label="What would you do?" className="flex flex-col gap-2">
        <StoppedClip moment={moment} footage={footage} opensFrame={fork.opensFrame} />
        <h4 className="font-semibold">What would you do here?</h4>
        <ul className="not-printed flex flex-col gap-2">
          {/* By their words, so that the order gives nothing away. */}
          {[...ways]
            .sort((a, b) => a.do.localeCompare(b.do))
            .map((way) => (
              <li key={way.place}>
                <Button
                  look="plain"
                  large
                  busy={isLoading}
                  className="w-full justify-start text-left"
                  onClick={() => void choose({ critiqueId: critique.id, noteId, choice: way.place })}
                >
                  {way.do}
                </Button>
              </li>
            ))}
        </ul>
        {error && <FaultNote>{faultWords(error)}</FaultNote>}
      </section>
    );
  const whose = isTheirs ? 'You' : critique.clientName.split(' ')[0];
  return (
    <section data-fork={noteId} aria-label="What happened" className="flex flex-col gap-2">
      {children}
      {chosen && (
        <p className="text-desk">
          {whose} chose: <strong>{fork.options[chosen.choice]?.do}</strong>
          {chosen.choice === 0 ? `, as ${critique.coachName.split(' ')[0]} would.` : '.'}
        </p>
      )}
      <ol className="list-decimal pl-6 text-desk" aria-label="The coach’s order">
        {ways.map((way) => (
          <li key={way.place}>
            {way.taken ? (
              <>
                {way.do.replace(/[.!?]$/, '')}
                <span className="text-reed">, which is what happened</span>
              </>
            ) : (
              way.do
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** The clip up to where the fork opens; there it stands, with what the coach drew on it. */
function StoppedClip({ moment, footage, opensFrame }: Pick<ForkMomentProps, 'moment' | 'footage'> & { opensFrame: number }) {
  const video = useRef<HTMLVideoElement>(null);
  const [stands, setStands] = useState(false);
  const { data: table } = useGetFrameTableQuery(footage.id);
  const { addresses } = useViewing(footage.id);
  const address = addresses?.reviewCopy;
  const from = moment.clipFromSeconds;
  useEffect(() => {
    const element = video.current;
    if (!element || !table || !address) return;
    const opens = secondsOfFrame(table, opensFrame);
    const stop = (): void => {
      element.pause();
      // In the middle of its frame, so that no rounding shows the one before.
      element.currentTime = opens + 0.005;
      setStands(true);
    };
    const watch = (): void => {
      if (element.currentTime >= opens - 0.02) stop();
      else asked = requestAnimationFrame(watch);
    };
    let asked = 0;
    const begin = (): void => {
      element.currentTime = from;
      // Where nothing may move by itself, the picture stands at once.
      if (matchMedia('(prefers-reduced-motion: reduce)').matches) return stop();
      element.play().then(() => (asked = requestAnimationFrame(watch)), stop);
    };
    if (element.readyState >= HTMLMediaElement.HAVE_METADATA) begin();
    else element.addEventListener('loadedmetadata', begin, { once: true });
    return () => {
      cancelAnimationFrame(asked);
      element.removeEventListener('loadedmetadata', begin);
      element.removeAttribute('src');
      element.load();
    };
  }, [table, address, opensFrame, from]);
  return (
    <figure className="relative w-full overflow-hidden bg-stage" style={{ aspectRatio: `${footage.width} / ${footage.height}` }}>
      <video
        ref={video}
        src={address}
        muted
        playsInline
        preload="auto"
        aria-label="The moment before it was decided"
        data-stands={stands}
        className="absolute inset-0 size-full object-contain"
      />
      {table && stands && (
        <DrawingOverlay
          drawings={drawingsAtFrame(moment.drawings, opensFrame)}
          width={footage.width}
          height={footage.height}
          frame={opensFrame}
          secondsAt={(at) => secondsOfFrame(table, at)}
        />
      )}
    </figure>
  );
}
