import type { AnswerTake, Critique, ResponseOf, getSentTake } from '@lean-mentor/contract';
import { wholePicture } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import type { Take, TakeEvent } from '@lean-mentor/core/takes';
import { useCallback, useMemo } from 'react';
import { useGetFrameTableQuery, useViewing } from '../../footage/index.ts';
import { TakePlayer, type Playback } from '../../takes/index.ts';
import { usePlayhead } from './playhead.ts';

/** Where nothing is left to be seen, the stage rests. */
const rest: TakeEvent = {
  ...{ t: 0, kind: 'stage', frame: 0, rate: 0, view: wholePicture, mirrored: false, strokes: [], drawings: [], note: null },
};
const noTable = { times: [0], endSeconds: 1 };

type HeardWords = Pick<AnswerTake, 'captions'>;

interface HeardTakeProps {
  critique: Critique;
  take: HeardWords & Pick<AnswerTake, 'footageId' | 'seconds' | 'chapters'>;
  /** What was done while it was spoken; undefined while it is on its way. */
  log: ResponseOf<typeof getSentTake> | undefined;
  voice: string;
  label: string;
  startAt?: number;
  onStretch?: ((from: number, to: number) => void) | undefined;
  onPlayback?: (playback: Playback | null) => void;
}

/** Something spoken that was sent: played over the footage, or where that is gone its voice and words alone. */
export function HeardTake({ critique, take, log, ...player }: HeardTakeProps) {
  const footage = critique.footages.find(({ id }) => id === take.footageId);
  const gone = footage?.state !== 'ready';
  const { data: table } = useGetFrameTableQuery(take.footageId, { skip: gone });
  const { addresses } = useViewing(take.footageId, { skip: gone });
  const playhead = usePlayhead();
  const { captions, chapters, seconds, footageId } = take;
  const onFrame = useCallback((frame: number) => playhead?.tell(footageId, frame), [playhead, footageId]);
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
      source={gone ? null : addresses?.reviewCopy}
      size={size}
      onFrame={onFrame}
      {...player}
    />
  );
}

/** What is said, to read. */
export function Transcript({ take }: { take: HeardWords }) {
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
