import type { Bout, Request } from '@lean-mentor/contract';
import { inDayOrder, movedInDay } from '@lean-mentor/core/footage';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { outcomeWords } from './BoutForm.tsx';
import type { BoutsControls } from './useBouts.ts';

interface DayListProps {
  request: Request;
  edited: BoutsControls;
  footageId: string;
  selectedId: string | null;
  /** `at`: the first frame, where the bout is of the footage on the stage. */
  onSelect: (id: string, at: number | null) => void;
}

/** All bouts of the request as one day, across its videos: their order and how they ended. A second camera's are the first one's. */
export function DayList({ request, edited, footageId, selectedId, onSelect }: DayListProps) {
  const [, setSearch] = useSearchParams();
  const footages = request.footages.filter(({ alignment, state }) => !alignment && state !== 'removed');
  const places = new Map(footages.flatMap(({ id }, i) => (edited.bouts[id] ?? []).map((bout) => [bout.id, { id, video: i + 1 }] as const)));
  const day = inDayOrder(footages.flatMap(({ id }) => edited.bouts[id] ?? []));
  if (day.length < 2) return null;
  const move = (id: string, by: 1 | -1): void => {
    const moved = movedInDay(day, id, by);
    edited.put(Object.fromEntries(footages.map((footage) => [footage.id, moved.filter((bout) => places.get(bout.id)?.id === footage.id)])));
  };
  const select = (bout: Bout): void => {
    const of = places.get(bout.id)!.id;
    if (of !== footageId) setSearch({ footage: of }, { replace: true });
    onSelect(bout.id, of === footageId ? bout.fromFrame : null);
  };
  return (
    <section aria-label="The day">
      <h2 className="text-read font-semibold">The day{request.event && `, ${request.event}`}</h2>
      <ol className="divide-y divide-seam border-y border-seam">
        {day.map((bout, i) => (
          <li key={bout.id} className={`flex items-center gap-2 ${bout.id === selectedId ? 'bg-linen' : ''}`}>
            <button
              type="button"
              className="flex min-h-9 min-w-0 grow items-baseline gap-2 text-left hover:underline"
              onClick={() => select(bout)}
            >
              <span className="w-5 text-right font-head">{i + 1}</span>
              <span className="truncate">
                {bout.partnerWords || request.whoPartner}
                {footages.length > 1 && <span className="text-reed">, video {places.get(bout.id)!.video}</span>}
              </span>
              <span className="ml-auto shrink-0 text-reed">
                {bout.outcome && outcomeWords[bout.outcome]} {bout.outcomeWords}
              </span>
            </button>
            <button
              type="button"
              aria-label={`Bout ${i + 1} earlier`}
              disabled={i === 0}
              className="flex size-8 items-center justify-center hover:bg-linen disabled:opacity-30"
              onClick={() => move(bout.id, -1)}
            >
              <ArrowUp size={15} />
            </button>
            <button
              type="button"
              aria-label={`Bout ${i + 1} later`}
              disabled={i === day.length - 1}
              className="flex size-8 items-center justify-center hover:bg-linen disabled:opacity-30"
              onClick={() => move(bout.id, 1)}
            >
              <ArrowDown size={15} />
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}
