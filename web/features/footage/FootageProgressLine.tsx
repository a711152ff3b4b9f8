import type { FootageProgress } from '@lean-mentor/contract';
import { durationText } from '@lean-mentor/core/footage';
import { Progress } from 'radix-ui';
import { useProgress } from './useFootageWatch.ts';

/** How far footage has come on its way to being ready, live; nothing once it is. */
export function FootageProgressLine({ footage }: { footage: FootageProgress }) {
  const { state, step, share, secondsLeft, failure } = useProgress(footage);
  if (state === 'ready') return null;
  if (state === 'failed')
    return (
      <p role="alert" className="border-l-4 border-brick pl-2 text-small">
        {failure}
      </p>
    );
  const left = state === 'working' && secondsLeft !== null && secondsLeft > 1 ? `, ${durationText(secondsLeft)} left` : '';
  return (
    <div className="flex flex-col gap-1 text-small text-reed">
      <p aria-live="polite">
        {step}
        {left}
      </p>
      <Progress.Root value={Math.round(share * 100)} className="h-1.5 w-full overflow-hidden bg-seam" aria-label={step}>
        <Progress.Indicator className="h-full bg-pine transition-[width]" style={{ width: `${share * 100}%` }} />
      </Progress.Root>
    </div>
  );
}
