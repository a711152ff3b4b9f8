import type { ReactNode } from 'react';
import { FaultNote, RowsSkeleton } from '../primitives/index.ts';
import { faultWords } from '../wire/index.ts';

interface FetchedProps<T> {
  /** What a query hook answers. */
  of: { data?: T | undefined; error?: unknown; refetch?: (() => unknown) | undefined };
  /** Rows that are drawn while it is on its way. */
  rows?: number;
  /** A sentence that belongs behind what went wrong. */
  advice?: string;
  /** Where nothing else of the page is drawn before it is there: the page's own frame around fault and rows. */
  className?: string;
  children?: (data: T) => ReactNode;
}

/**
 * What was fetched: in its place what went wrong, with another try, or rows in its shape while it is on its way. What is there stays
 * when a later try fails.
 */
export function Fetched<T>({ of: { data, error, refetch }, rows = 4, advice = '', className, children }: FetchedProps<T>) {
  if (data !== undefined) return children?.(data) ?? null;
  const framed = (content: ReactNode): ReactNode => (className === undefined ? content : <main className={className}>{content}</main>);
  if (error === undefined) return framed(<RowsSkeleton rows={rows} />);
  return framed(
    <FaultNote again={refetch && (() => void refetch())}>
      {faultWords(error)}
      {advice && ` ${advice}`}
    </FaultNote>,
  );
}
