import { useState } from 'react';
import type { DeskControls } from './DeskControls.tsx';
import { inHandAfter, topmost, type InHand, type Mode } from './inHand.ts';

type Controls = Pick<DeskControls, 'writing' | 'drawing' | 'measuring' | 'coding' | 'tray' | 'score' | 'take'>;

/** What is in hand, in the order in which it was taken up, and how the topmost is laid down. */
export function useInHand({ writing, drawing, measuring, coding, tray, score, take }: Controls): { inHand: InHand; leave: () => void } {
  const [stack, setStack] = useState<InHand>([]);
  const { choice } = drawing;
  const now = inHandAfter(stack, {
    note: writing.writing !== null,
    range: writing.range !== null,
    link: writing.linking,
    drawing: choice.tool !== null || choice.selectedId !== null || drawing.draft.length > 0,
    measure: measuring.work !== null,
    positions: coding.on,
    attempt: coding.asked !== null,
    score: score.shown,
    tray: tray.shown,
    take: take.state.phase !== 'away' && take.state.phase !== 'speaking',
    order: take.state.phase === 'speaking' && take.order.on,
    speaking: take.state.phase === 'speaking',
  });
  if (now !== stack) setStack(now);
  const closes: Readonly<Record<Mode, () => unknown>> = {
    note: writing.close,
    range: writing.dropRange,
    link: writing.link,
    drawing: () => drawing.step({ do: 'leave' }),
    measure: () => measuring.step({ do: 'leave' }),
    positions: coding.toggle,
    attempt: () => coding.ask(null),
    score: score.toggle,
    tray: () => tray.step({ do: 'close' }),
    take: take.leave,
    order: take.leave,
    speaking: take.leave,
  };
  return {
    inHand: now,
    leave: () => {
      const top = topmost(now);
      if (top) closes[top]();
    },
  };
}
