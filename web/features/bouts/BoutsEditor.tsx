import type { Bout, Footage, Request } from '@lean-mentor/contract';
import { boutAtFrame, frameAtSeconds, roomForBout, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { useEffect, useState } from 'react';
import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useFramePlayer, useGetMotionQuery, useGetSoundQuery, useViewing } from '../footage/index.ts';
import { BoutForm } from './BoutForm.tsx';
import { BoutsToolbar } from './BoutsToolbar.tsx';
import { DayList } from './DayList.tsx';
import { boutAdded, boutChanged, boutMoved, boutSplit, withBouts, type BoutsOfDay } from './editedBouts.ts';
import { SecondCamera } from './SecondCamera.tsx';
import { TimePage } from './TimePage.tsx';
import { useBouts, type BoutsControls } from './useBouts.ts';

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
  const edited = useBouts(request);
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const { player, now } = useFramePlayer(video, table);
  const { data: motion } = useGetMotionQuery(footage.id);
  const { data: sound } = useGetSoundQuery(footage.id);
  const { addresses, askAgain } = useViewing(footage.id);
  const [selectedId, setSelectedId] = useState<string | null>(null);
  useEffect(() => player?.setLulls(motion?.lulls ?? []), [player, motion]);

  const bouts = edited.bouts[footage.id] ?? [];
  const selected = bouts.find(({ id }) => id === selectedId) ?? null;
  const put = (change: (day: BoutsOfDay) => BoutsOfDay): void => edited.put(change(edited.bouts));
  const move = (id: string, from: number, to: number): void => put((day) => boutMoved(day, footage.id, id, from, to));
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
        <BoutsToolbar {...{ player, now, table, edited }} bursts={motion?.bursts ?? []} />
        <BoutButtons {...{ request, footage, table, edited, bouts }} atFrame={now.frame} onAdded={setSelectedId} />
        {edited.keeping.fault && (
          <FaultNote again={edited.keeping.saving === 'refused' ? edited.letGo : undefined} againWords="Show what is saved">
            {faultWords(edited.keeping.fault)}
          </FaultNote>
        )}
        {selected ? (
          <BoutForm
            bout={selected}
            request={request}
            table={table}
            onChange={(fields) => put((day) => boutChanged(day, footage.id, selected.id, (bout) => ({ ...bout, ...fields })))}
            onStartHere={now.frame < selected.toFrame ? () => move(selected.id, now.frame, selected.toFrame) : undefined}
            onEndHere={now.frame > selected.fromFrame ? () => move(selected.id, selected.fromFrame, now.frame) : undefined}
            onRemove={() => {
              put((day) =>
                withBouts(
                  day,
                  footage.id,
                  bouts.filter(({ id }) => id !== selected.id),
                ),
              );
              setSelectedId(null);
            }}
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
          edited={edited}
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

interface BoutButtonsProps {
  request: Request;
  footage: Footage;
  table: FrameTable;
  edited: BoutsControls;
  bouts: readonly Bout[];
  atFrame: number;
  onAdded: (id: string) => void;
}

/** What can be done with bouts at this frame. */
function BoutButtons({ request, footage, table, edited, bouts, atFrame, onAdded }: BoutButtonsProps) {
  const here = boutAtFrame(bouts, atFrame);
  const inside = here && atFrame > here.fromFrame && atFrame < here.toFrame ? here : undefined;
  const lengthSeconds = (request.lengthMinutes ?? usualSeconds / 60) * 60;
  const frames = frameAtSeconds(table, secondsOfFrame(table, atFrame) + lengthSeconds) - atFrame;
  const room = roomForBout(bouts, atFrame, frames, table.times.length);
  const proposals = bouts.filter(({ proposed }) => proposed);
  const add = (): void => {
    if (!room) return;
    const id = crypto.randomUUID();
    edited.put(boutAdded(edited.bouts, footage.id, room, id));
    onAdded(id);
  };
  return (
    <div className="flex flex-wrap gap-2">
      <Button look="plain" disabled={!room} onClick={add}>
        A bout begins here
      </Button>
      <Button
        look="plain"
        disabled={!inside}
        onClick={() => inside && edited.put(boutSplit(edited.bouts, footage.id, inside.id, atFrame, crypto.randomUUID()))}
      >
        Split it here
      </Button>
      {proposals.length > 0 && (
        <Button onClick={() => edited.put({ [footage.id]: bouts.map((bout) => ({ ...bout, proposed: false })) })}>
          {proposals.length === 1 ? 'Accept the proposed bout' : `Accept all ${proposals.length} proposed bouts`}
        </Button>
      )}
    </div>
  );
}
