import type { TodayRow } from '@lean-mentor/contract';
import { estimateDeskMinutes, type DeskTime, type PolicyForecast } from '@lean-mentor/core/queue';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { Empty, smallInputClass } from '../../shared/primitives/index.ts';
import { RequestRow } from './RequestRow.tsx';
import { shiftWords, slackOf } from './words.ts';

const filters = ['all', 'at-risk', 'begun', 'client'] as const;
type Filter = (typeof filters)[number];
const filterWords: Record<Filter, string> = { all: 'All', 'at-risk': 'At risk', begun: 'Begun', client: 'Waits for the client' };

interface RequestListProps {
  rows: readonly TodayRow[];
  deskTime: DeskTime;
  /** Under the order in use, and under the one that is looked at. */
  kept: PolicyForecast | undefined;
  looked: PolicyForecast | undefined;
  now: Date;
  onMove: (requestId: string, place: number | null) => void;
}

/** Rows in an order: those in it first, then what waits for footage or an answer, as promised. */
function inOrder(rows: readonly TodayRow[], order: readonly string[]): TodayRow[] {
  const place = new Map(order.map((id, i) => [id, i]));
  return [...rows].sort((a, b) => (place.get(a.id) ?? order.length) - (place.get(b.id) ?? order.length));
}

/** All that waits, in the order that is looked at; found by typing and by how it stands; gone through by keys. */
export function RequestList({ rows, deskTime, kept, looked, now, onMove }: RequestListProps) {
  const [sought, setSought] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const words = useDeferredValue(sought.trim().toLowerCase());
  const forecastOf = (forecast: PolicyForecast | undefined, id: string) => forecast?.reviews.find((review) => review.id === id);
  const stands = (row: TodayRow): boolean => {
    if (filter === 'begun') return row.spentMinutes > 0 || row.notes + row.marks > 0;
    if (filter === 'client') return row.state !== 'waiting';
    return filter === 'all' || (row.state === 'waiting' && slackOf(row, forecastOf(looked, row.id), now).state !== 'kept');
  };
  const order = looked?.order ?? [];
  const shown = inOrder(rows, order).filter((row) => stands(row) && `${row.clientName} ${row.question}`.toLowerCase().includes(words));
  return (
    <section aria-label="Requests" className="min-w-0">
      <div className="mb-2 flex items-center gap-4">
        <input
          type="search"
          aria-label="Find a request"
          placeholder="Find by name or question"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
          className={`${smallInputClass} max-w-56`}
        />
        <div role="group" aria-label="Which" className="flex gap-1">
          {filters.map((one) => (
            <button
              key={one}
              aria-pressed={filter === one}
              onClick={() => setFilter(one)}
              className="rounded-sm px-2 py-1 text-small font-semibold text-reed hover:text-ink aria-pressed:bg-pine aria-pressed:text-linen"
            >
              {filterWords[one]}
            </button>
          ))}
        </div>
        <p className="ml-auto text-small text-reed">
          <kbd>↓</kbd> <kbd>↑</kbd> next, before · <kbd>Enter</kbd> open · <kbd>A</kbd> answer
        </p>
      </div>
      {shown.length === 0 && (
        <Empty>
          {rows.length === 0
            ? 'Nothing waits. A request appears here as soon as a client sends footage.'
            : 'Nothing here stands like that.'}
        </Empty>
      )}
      <Rows
        rows={shown}
        render={(row) => {
          const place = order.indexOf(row.id);
          return (
            <RequestRow
              row={row}
              estimate={estimateDeskMinutes(deskTime, { kind: row.reviewKind, boutMinutes: row.boutMinutes, spoken: row.spoken })}
              forecast={forecastOf(looked, row.id)}
              shift={kept === looked ? null : shiftWords(forecastOf(kept, row.id), forecastOf(looked, row.id))}
              place={place < 0 ? null : place}
              last={place === order.length - 1}
              now={now}
              onMove={(to) => onMove(row.id, to)}
            />
          );
        }}
      />
    </section>
  );
}

/** A guess at a row's height before it is measured, px. */
const guessedHeight = 150;

/** Only rows near what is seen are drawn. One of them has the focus of the list; arrows pass it on. */
function Rows({ rows, render }: { rows: readonly TodayRow[]; render: (row: TodayRow) => React.ReactNode }) {
  const list = useRef<HTMLOListElement>(null);
  const navigate = useNavigate();
  const [top, setTop] = useState(0);
  const [current, setCurrent] = useState(0);
  useEffect(() => setTop(list.current?.offsetTop ?? 0), [rows.length]);
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => guessedHeight,
    overscan: 4,
    scrollMargin: top,
    getItemKey: (i) => rows[i]!.id,
  });
  const at = Math.min(current, rows.length - 1);
  const go = (to: number): void => {
    const next = Math.max(0, Math.min(rows.length - 1, to));
    setCurrent(next);
    virtual.scrollToIndex(next);
    // Its row may have to be drawn first.
    requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-index="${next}"]`)?.focus({ preventScroll: true }));
  };
  const press = (event: React.KeyboardEvent, i: number): void => {
    if (event.target !== event.currentTarget) return;
    const row = rows[i]!;
    const act = { ArrowDown: () => go(i + 1), ArrowUp: () => go(i - 1), Home: () => go(0), End: () => go(rows.length - 1) }[event.key];
    const to = event.key === 'Enter' ? 'desk' : event.key.toLowerCase() === 'a' ? 'critique' : null;
    if (!act && !to) return;
    event.preventDefault();
    if (act) act();
    else void navigate(`/requests/${row.id}/${to}`);
  };
  return (
    <ol ref={list} className="relative border-b border-seam" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map(({ index, start, key }) => (
        <li
          key={key}
          ref={virtual.measureElement}
          data-index={index}
          data-request={rows[index]!.id}
          aria-label={`${rows[index]!.clientName}, ${index + 1} of ${rows.length}`}
          tabIndex={index === at ? 0 : -1}
          onFocus={() => setCurrent(index)}
          onKeyDown={(event) => press(event, index)}
          className="absolute left-0 w-full border-t border-seam"
          style={{ transform: `translateY(${start - virtual.options.scrollMargin}px)` }}
        >
          {render(rows[index]!)}
        </li>
      ))}
    </ol>
  );
}
