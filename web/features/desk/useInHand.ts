import { useState } from 'react';
import type { CodingHand } from './coding/codingHand.ts';
import type { TrayHand } from './compare/useTray.ts';
import type { DrawingHand } from './drawing/useDrawingHand.ts';
import { inHandAfter, topmost, type InHand, type Mode } from './inHand.ts';
import type { MeasureHand } from './measure/useMeasureHand.ts';
import type { WritingHand } from './useWriting.ts';

interface Hands {
  writing: WritingHand;
  drawing: DrawingHand;
  measuring: MeasureHand;
  coding: CodingHand;
  tray: TrayHand;
  score: { shown: boolean; close: () => void };
}

/** What is in hand, in the order in which it was taken up, and how the topmost is laid down. */
export function useInHand({ writing, drawing, measuring, coding, tray, score }: Hands): { inHand: InHand; leave: () => void } {
  const [stack, setStack] = useState<InHand>([]);
  const { choice } = drawing;
  const now = inHandAfter(stack, {
    note: writing.writing !== null,
    range: writing.range !== null,
    link: writing.linking,
    drawing: choice.tool !== null || choice.selectedId !== null || drawing.draft.length > 0,
    measure: measuring.kind !== null,
    positions: coding.on,
    attempt: coding.attempt !== null,
    score: score.shown,
    tray: tray.shown,
  });
  if (now !== stack) setStack(now);
  const closes: Readonly<Record<Mode, () => unknown>> = {
    note: writing.close,
    range: writing.dropRange,
    link: writing.link,
    drawing: drawing.leave,
    measure: measuring.leave,
    positions: coding.toggle,
    attempt: () => coding.setAttempt(null),
    score: score.close,
    tray: tray.close,
  };
  return {
    inHand: now,
    leave: () => {
      const top = topmost(now);
      if (top) closes[top]();
    },
  };
}
