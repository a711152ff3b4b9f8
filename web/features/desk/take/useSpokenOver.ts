import { joinedStretches, spokenOver, type FrameStretch, type TakeEvent } from '@lean-mentor/core/takes';
import { useEffect, useMemo, useState } from 'react';
import { useListTakesQuery, useTakeLogs } from '../../takes/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useContents, useScene } from '../DeskScene.ts';

/** While one speaks, the thread is told to grow so often, in ms. */
const growsEveryMs = 500;
const none: readonly FrameStretch[] = [];

/** What of the footage on the stage was spoken over: by takes that are there, and by the one that is being spoken. */
export function useSpokenOver(): readonly FrameStretch[] {
  const { subject, table } = useScene();
  const { takes } = useContents().document;
  const requestId = subject.request.id;
  const isAny = Object.keys(takes).length > 0;
  const { data: recordings } = useListTakesQuery(requestId, { skip: !isAny });
  const ready = useMemo(
    () => (recordings ?? []).filter(({ id, partSeconds }) => takes[id] && partSeconds.length > 0).map(({ id }) => id),
    [recordings, takes],
  );
  const logs = useTakeLogs(requestId, ready);
  const spoken = useMemo(
    () =>
      [...logs].flatMap(([id, { seconds, events }]) => {
        const take = takes[id];
        return take ? spokenOver({ seconds, events: events as TakeEvent[], cuts: take.cuts }, table) : [];
      }),
    [logs, takes, table],
  );
  const now = useSpokenNow();
  return useMemo(() => joinedStretches([...spoken, ...now]), [spoken, now]);
}

function useSpokenNow(): readonly FrameStretch[] {
  const { state, spokenOver: over } = useControls('take');
  const speaking = state.phase === 'speaking';
  const [now, setNow] = useState(none);
  useEffect(() => {
    if (!speaking) return;
    const timer = setInterval(() => setNow(over()), growsEveryMs);
    return () => clearInterval(timer);
  }, [speaking, over]);
  return state.phase === 'away' ? none : now;
}
