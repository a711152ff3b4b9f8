import type { Footage } from '@lean-mentor/contract';
import { clockText, durationText } from '@lean-mentor/core/footage';
import type { ReactNode } from 'react';
import { useProgress } from './useFootageWatch.ts';

interface SoFarLineProps {
  footage: Footage;
  /** So many seconds of it. */
  seconds: number;
  children?: ReactNode;
}

/** How much of a footage can be looked at while the rest is being made ready, or that the rest never comes; nothing once all of it can. */
export function SoFarLine({ footage, seconds, children }: SoFarLineProps) {
  const { state, secondsLeft, failure } = useProgress(footage);
  if (state === 'ready') return null;
  if (state === 'failed')
    return (
      <p role="alert" className="border-l-4 border-brick pl-2 text-small">
        The first {clockText(seconds)} were there; the rest does not come. {failure}
      </p>
    );
  const of = footage.seconds === null ? '' : ` of ${clockText(footage.seconds)}`;
  const left = secondsLeft === null ? 'by itself' : `in ${durationText(secondsLeft)}`;
  return (
    <p role="status" className="border-l-4 border-pine pl-2 text-small" data-so-far={seconds}>
      The first {clockText(seconds)}
      {of} can be looked at. The rest comes {left}.{children}
    </p>
  );
}
