import { clockText } from '@lean-mentor/core/footage';
import { useEffect, useRef } from 'react';
import { useControls } from '../DeskControls.tsx';
import { useClockAt } from '../score/useClockAt.ts';
import type { StageStep } from './useRunningOrder.ts';

/** What there is to say, one thing after another; a press brings its frame. */
export function RunningOrder() {
  const { order } = useControls('take');
  const { steps, at, elsewhere } = order;
  return (
    <section aria-label="What to say, in order" className="flex min-h-0 grow flex-col overflow-y-auto px-3 py-2">
      <ol>
        {steps.map((step, i) => (
          <OrderLine key={`${step.part} ${step.noteId}`} step={step} begins={steps[i - 1]?.part !== step.part} place={i} isNow={i === at} />
        ))}
      </ol>
      {elsewhere > 0 && (
        <p className="pt-2 text-small text-reed">
          {elsewhere === 1 ? 'One moment is' : `${elsewhere} moments are`} in other footage: speak over that one by itself.
        </p>
      )}
    </section>
  );
}

interface LineProps {
  step: StageStep;
  /** It is the first of its part, and says what that is about. */
  begins: boolean;
  place: number;
  isNow: boolean;
}

function OrderLine({ step, begins, place, isNow }: LineProps) {
  const { order } = useControls('take');
  const clockAt = useClockAt();
  const line = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isNow) line.current?.scrollIntoView({ block: 'nearest' });
  }, [isNow]);
  return (
    <li ref={line} className="border-b border-seam last:border-0" aria-current={isNow ? 'step' : undefined}>
      <button
        type="button"
        onClick={() => order.go(place)}
        className={`grid w-full grid-cols-[9rem_3.5rem_1fr] items-baseline gap-x-3 rounded-sm px-2 py-1.5 text-left hover:bg-linen ${isNow ? 'bg-linen' : ''}`}
      >
        <span className="font-semibold">{begins ? step.title : ''}</span>
        <span className="time text-reed">{step.frame === null ? '' : clockText(clockAt(step.frame))}</span>
        <span className={isNow ? 'text-read' : 'line-clamp-1 text-reed'}>{step.words.join(' ')}</span>
      </button>
    </li>
  );
}
