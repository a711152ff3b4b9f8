import type { FootageProgress } from '@lean-mentor/contract';
import { durationText } from '@lean-mentor/core/footage';
import { Button, ShareBar } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useRetryFootageMutation } from './api.ts';
import { useProgress } from './useFootageWatch.ts';

/**
 * How far footage has come on its way to being ready, live; why it stopped, and trying again where that can help; nothing once it is ready.
 */
export function FootageProgressLine({ footage }: { footage: FootageProgress }) {
  const { state, step, share, secondsLeft, failure, retryHelps } = useProgress(footage);
  const [retry, retried] = useRetryFootageMutation();
  if (state === 'ready' || state === 'removed') return null;
  if (state === 'failed')
    return (
      <div className="flex flex-col items-start gap-2">
        <p role="alert" className="border-l-4 border-brick pl-2 text-small">
          {retried.error ? faultWords(retried.error) : failure}
        </p>
        {retryHelps && (
          <Button look="plain" busy={retried.isLoading} onClick={() => void retry(footage.id)}>
            Make it ready again
          </Button>
        )}
      </div>
    );
  const left = state === 'working' && secondsLeft !== null && secondsLeft > 1 ? `, ${durationText(secondsLeft)} left` : '';
  return (
    <div className="flex flex-col gap-1 text-small text-reed">
      <p aria-live="polite">
        {step}
        {left}
      </p>
      <ShareBar share={share} label={step} />
    </div>
  );
}
