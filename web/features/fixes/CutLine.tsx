import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ChevronDown, ChevronUp } from 'lucide-react';

export const cutId = 'cut';

/** Where the critique stops. Dragged across the ladder, or moved by its two buttons. */
export function CutLine({ cut, most, onMove }: { cut: number; most: number; onMove: (cut: number) => void }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({ id: cutId });
  const button = 'flex size-6 items-center justify-center text-pine hover:bg-linen disabled:opacity-30';
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition, viewTransitionName: 'cut' }}
      className="relative z-10 my-1 flex items-center gap-2"
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`The critique ends here, after ${cut} of the fixes`}
        className="flex grow cursor-grab items-center gap-3 py-1 text-small font-semibold text-pine before:h-0.5 before:grow before:bg-pine after:h-0.5 after:grow after:bg-pine"
      >
        The critique ends here
      </button>
      <button type="button" aria-label="One fix fewer" disabled={cut === 0} onClick={() => onMove(cut - 1)} className={button}>
        <ChevronUp size={16} aria-hidden />
      </button>
      <button type="button" aria-label="One fix more" disabled={cut >= most} onClick={() => onMove(cut + 1)} className={button}>
        <ChevronDown size={16} aria-hidden />
      </button>
    </li>
  );
}
