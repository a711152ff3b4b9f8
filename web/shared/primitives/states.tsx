import type { ReactNode } from 'react';
import { Button } from './Button.tsx';

/** What went wrong and what to do. */
export const FaultNote = ({
  children,
  again,
  againWords = 'Try again',
}: {
  children: ReactNode;
  again?: (() => void) | undefined;
  againWords?: string;
}) => (
  <div role="alert" className="flex flex-wrap items-center gap-3 border-l-4 border-brick bg-linen px-3 py-2">
    <p className="grow">{children}</p>
    {again && (
      <Button look="plain" onClick={again}>
        {againWords}
      </Button>
    )}
  </div>
);

/** Nothing here yet, and what to do first. */
export const Empty = ({ children }: { children: ReactNode }) => (
  <p className="border-y border-seam py-10 text-center text-read text-reed text-balance">{children}</p>
);

/** A list that is still on its way, in the shape of its rows. */
export const RowsSkeleton = ({ rows = 4 }: { rows?: number }) => (
  <div role="status" aria-label="Loading" className="animate-pulse divide-y divide-seam">
    {Array.from({ length: rows }, (_, i) => (
      <div key={i} className="flex items-center gap-4 py-4">
        <div className="h-9 w-11 bg-seam" />
        <div className="grow space-y-2">
          <div className="h-3 w-1/3 bg-seam" />
          <div className="h-3 w-2/3 bg-seam/60" />
        </div>
      </div>
    ))}
  </div>
);
