import { Progress } from 'radix-ui';

/** How much of something is done; `share`: 0..1. */
export function ShareBar({ share, label }: { share: number; label: string }) {
  return (
    <Progress.Root value={Math.round(share * 100)} className="h-1.5 w-full overflow-hidden bg-seam" aria-label={label}>
      <Progress.Indicator className="h-full bg-pine transition-[width]" style={{ width: `${share * 100}%` }} />
    </Progress.Root>
  );
}
