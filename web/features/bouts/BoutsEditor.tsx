import { bout as boutSchema, type Bout, type Footage, type Request } from '@lean-mentor/contract';
import {
  boutAtFrame,
  clockText,
  frameAtSeconds,
  moveBout,
  renumbered,
  roomForBout,
  secondsOfFrame,
  splitBout,
  type FrameTable,
} from '@lean-mentor/core/footage';
import { ChevronLeft, ChevronRight, FastForward, Pause, Play, Redo2, SkipForward, Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { savingWords } from '../../shared/keeping/index.ts';
import { Button, FaultNote, IconButton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useFramePlayer, useGetMotionQuery, useGetSoundQuery, useViewing } from '../footage/index.ts';
import { BoutForm } from './BoutForm.tsx';
import { DayList } from './DayList.tsx';
import { SecondCamera } from './SecondCamera.tsx';
import { TimePage } from './TimePage.tsx';
import { useBouts } from './useBouts.ts';

interface BoutsEditorProps {
  request: Request;
  footage: Footage;
  table: FrameTable;
  mayAlign: boolean;
}

/** A bout that is added is this long, in seconds, where nobody said how long one was meant to be. */
const usualSeconds = 300;

/** The picture with what can be done at its moment on the left; the whole footage from top to bottom on the right. */
export function BoutsEditor({ request, footage, table, mayAlign }: BoutsEditorProps) {
  const hand = useBouts(request);
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const { player, now } = useFramePlayer(video, table);
  const { data: motion } = useGetMotionQuery(footage.id);
  const { data: sound } = useGetSoundQuery(footage.id);
  const { addresses, askAgain } = useViewing(footage.id);
  const [selectedId, setSelectedId] = useState<string | null>(null);
  useEffect(() => player?.setLulls(motion?.lulls ?? []), [player, motion]);

  const bouts = hand.bouts[footage.id] ?? [];
  const selected = bouts.find(({ id }) => id === selectedId) ?? null;
  const here = boutAtFrame(bouts, now.frame);
  const inside = here && now.frame > here.fromFrame && now.frame < here.toFrame ? here : undefined;
  const frameCount = table.times.length;
  const lengthSeconds = (request.lengthMinutes ?? usualSeconds / 60) * 60;
  const room = roomForBout(
    bouts,
    now.frame,
    frameAtSeconds(table, secondsOfFrame(table, now.frame) + lengthSeconds) - now.frame,
    frameCount,
  );

  const put = (next: readonly Bout[]): void => hand.put({ [footage.id]: next });
  const change = (id: string, fields: Partial<Bout>): void => put(bouts.map((b) => (b.id === id ? { ...b, ...fields } : b)));
  const move = (id: string, fromFrame: number, toFrame: number): void =>
    put(bouts.map((b) => (b.id === id ? { ...moveBout(b, fromFrame, toFrame), proposed: false } : b)));
  /** Bouts of this footage changed in number: all of the day are numbered anew. */
  const putNumbered = (next: readonly Bout[]): void => {
    const byFootage = { ...hand.bouts, [footage.id]: next };
    const owner = new Map(Object.entries(byFootage).flatMap(([id, list]) => list.map((b) => [b.id, id] as const)));
    const day = renumbered(Object.values(byFootage).flat());
    hand.put(Object.fromEntries(Object.keys(byFootage).map((id) => [id, day.filter((b) => owner.get(b.id) === id)])));
  };
  const add = (): void => {
    if (!room) return;
    const order =
      Math.max(
        0,
        ...Object.values(hand.bouts)
          .flat()
          .map((b) => b.order),
      ) + 1;
    const added = boutSchema.parse({ id: crypto.randomUUID(), ...room, spans: [], order });
    putNumbered([...bouts, added].sort((a, b) => a.fromFrame - b.fromFrame));
    setSelectedId(added.id);
  };
  const split = (): void => {
    const parts = inside && splitBout(inside, now.frame, crypto.randomUUID());
    if (parts) putNumbered(bouts.flatMap((b) => (b.id === inside.id ? parts.map((part) => ({ ...part, proposed: false })) : [b])));
  };
  const proposals = bouts.filter(({ proposed }) => proposed);
  const nextBurst = motion?.bursts.find(({ fromFrame }) => fromFrame > now.frame);

  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_470px]">
      <div className="flex flex-col gap-4 lg:sticky lg:top-4 lg:self-start">
        <div data-stage data-frame={now.frame} data-settled={now.settled} className="bg-stage">
          <video
            ref={setVideo}
            src={addresses?.reviewCopy}
            onError={askAgain}
            muted={false}
            playsInline
            preload="auto"
            aria-label={footage.fileName}
            className="mx-auto max-h-[46dvh] max-w-full"
          />
        </div>
        {player && (
          <div role="toolbar" aria-label="Playing" className="flex flex-wrap items-center gap-1">
            <IconButton icon={now.playing ? Pause : Play} words={now.playing ? 'Pause' : 'Play'} onClick={player.toggle} />
            <IconButton icon={ChevronLeft} words="One frame back" onClick={() => player.step(-1)} />
            <IconButton icon={ChevronRight} words="One frame on" onClick={() => player.step(1)} />
            <IconButton icon={FastForward} words="Pass over lulls while playing" onClick={player.toggleLulls} pressed={now.skipsLulls} />
            <IconButton
              icon={SkipForward}
              words="To the next burst"
              disabled={!nextBurst}
              onClick={() => nextBurst && player.goTo(nextBurst.fromFrame)}
            />
            <span className="time px-2">
              {clockText(secondsOfFrame(table, now.frame), true)} · f {now.frame}
            </span>
            <span className="ml-auto flex items-center text-small text-reed" aria-live="polite">
              {(hand.canUndo || hand.keeping.saving !== 'saved') && savingWords(hand.keeping)}
              <IconButton icon={Undo2} words="Take the last change back" disabled={!hand.canUndo} onClick={hand.undo} />
              <IconButton icon={Redo2} words="Do it again" disabled={!hand.canRedo} onClick={hand.redo} />
            </span>
          </div>
        )}
        <div className="flex flex-wrap gap-2">
          <Button look="plain" disabled={!room} onClick={add}>
            A bout begins here
          </Button>
          <Button look="plain" disabled={!inside} onClick={split}>
            Split it here
          </Button>
          {proposals.length > 0 && (
            <Button onClick={() => put(bouts.map((b) => ({ ...b, proposed: false })))}>
              {proposals.length === 1 ? 'Accept the proposed bout' : `Accept all ${proposals.length} proposed bouts`}
            </Button>
          )}
        </div>
        {hand.keeping.fault && (
          <FaultNote again={hand.keeping.saving === 'refused' ? hand.letGo : undefined} againWords="Show what is saved">
            {faultWords(hand.keeping.fault)}
          </FaultNote>
        )}
        {selected ? (
          <BoutForm
            bout={selected}
            request={request}
            table={table}
            onChange={(fields) => change(selected.id, { ...fields, proposed: false })}
            onStartHere={now.frame < selected.toFrame ? () => move(selected.id, now.frame, selected.toFrame) : undefined}
            onEndHere={now.frame > selected.fromFrame ? () => move(selected.id, selected.fromFrame, now.frame) : undefined}
            onRemove={() => (putNumbered(bouts.filter(({ id }) => id !== selected.id)), setSelectedId(null))}
          />
        ) : (
          <p className="text-reed">
            {bouts.length === 0
              ? 'No bout here yet. Go to where one begins, and say so.'
              : 'Choose a bout beside its time to say more about it; drag its edges to move it.'}
          </p>
        )}
        <DayList
          request={request}
          hand={hand}
          selectedId={selectedId}
          footageId={footage.id}
          onSelect={(id, at) => (setSelectedId(id), at !== null && player?.goTo(at))}
        />
        {mayAlign && request.footages.filter(({ state }) => state === 'ready').length > 1 && (
          <SecondCamera key={footage.id} request={request} footage={footage} table={table} atFrame={now.frame} />
        )}
      </div>
      <TimePage
        footage={footage}
        table={table}
        motion={motion}
        sound={sound}
        strip={addresses?.strip}
        atFrame={now.frame}
        bouts={bouts}
        selectedId={selectedId}
        onSelect={setSelectedId}
        onMove={move}
        onGo={(frame) => player?.goTo(frame)}
      />
    </div>
  );
}
