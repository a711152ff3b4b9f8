import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { Footage } from '@lean-mentor/contract';
import type { BookPrinciple } from '@lean-mentor/core/book';
import type { Note } from '@lean-mentor/core/desk';
import type { OwnHarm, RankedFix, School } from '@lean-mentor/core/fixes';
import { GripVertical, Pin } from 'lucide-react';
import type { ReactNode } from 'react';
import { KindGlyph } from '../../shared/primitives/index.ts';
import { PartBars } from './PartBars.tsx';
import { RungMoments } from './RungMoments.tsx';

export interface RungProps {
  fix: RankedFix;
  place: number;
  /** Where the school puts it, from 1. */
  computedPlace: number;
  sent: boolean;
  pinned: boolean;
  school: School;
  principle: BookPrinciple | undefined;
  notes: readonly Note[];
  footages: readonly Footage[];
  harms: Readonly<Record<string, OwnHarm>>;
  requestId: string;
  menu: ReactNode;
  /** What its notes go back to and what they led to, each in a sentence; null where there is nothing. */
  chain: readonly (string | null)[];
}

const oneAndMore = {
  mistake: ['mistake', 'mistakes'],
  'missed-chance': ['missed chance', 'missed chances'],
  caution: ['caution', 'cautions'],
} as const;

/** How many notes of each kind a rung rests on. */
const KindCounts = ({ notes }: { notes: readonly Note[] }) => (
  <p className="flex shrink-0 flex-col gap-0.5 text-small">
    {(['mistake', 'missed-chance', 'caution'] as const).map((kind) => {
      const count = notes.filter((note) => note.kind === kind).length;
      return count > 0 ? (
        <span key={kind} className="inline-flex items-center gap-1.5">
          <KindGlyph kind={kind} size={12} /> {count} {oneAndMore[kind][count === 1 ? 0 : 1]}
        </span>
      ) : null;
    })}
  </p>
);

/** A candidate on the ladder: its name and cue, the parts of its score, its moments. Dragged by its grip, or by the keys. */
export function Rung({
  fix,
  place,
  computedPlace,
  sent,
  pinned,
  school,
  principle,
  notes,
  footages,
  harms,
  requestId,
  menu,
  chain,
}: RungProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: fix.principle });
  const name = principle?.name ?? (notes[0]?.what || 'A note without words');
  return (
    <li
      ref={setNodeRef}
      data-rung={name}
      style={{ transform: CSS.Translate.toString(transform), transition, viewTransitionName: `rung-${fix.principle}` }}
      className={`grid grid-cols-[1.5rem_2rem_1fr] gap-x-2 border-b border-seam bg-straw py-3 ${sent ? '' : 'text-reed'} ${isDragging ? 'relative z-10 border-y border-pine' : ''}`}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Move “${name}”`}
        className="flex cursor-grab items-start justify-center pt-1.5 text-reed hover:text-ink"
      >
        <GripVertical size={16} aria-hidden />
      </button>
      <span className="font-head text-title leading-none">{place}</span>
      <div className="flex min-w-0 flex-col gap-2">
        <div className="flex items-start gap-4">
          <div className="min-w-0 grow">
            <h3 className="flex items-center gap-2 text-read text-ink">
              <span className="line-clamp-2">{name}</span>
              {pinned && <Pin size={14} aria-label="Pinned" className="shrink-0" />}
            </h3>
            <p className="text-small">
              {principle?.cue ? `“${principle.cue}” ` : ''}
              {!principle && <span>Names no principle, so it is not followed over time. </span>}
              {place !== computedPlace && (
                <span className="whitespace-nowrap">
                  {school.name} puts it {computedPlace}.{' '}
                </span>
              )}
              {chain.map((words) => words && <span key={words}>{words} </span>)}
            </p>
          </div>
          <PartBars fix={fix} school={school} />
          {menu}
        </div>
        <div className="flex items-start gap-4">
          <KindCounts notes={notes} />
          <RungMoments requestId={requestId} notes={notes} footages={footages} harms={harms} />
        </div>
      </div>
    </li>
  );
}
