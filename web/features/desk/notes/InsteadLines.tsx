import type { Note } from '@lean-mentor/core/desk';
import { X } from 'lucide-react';
import { GrowingText } from './GrowingText.tsx';

/** What to do instead: an ordered list of "if … do …". */
export function InsteadLines({ instead, change }: { instead: Note['instead']; change: (instead: Note['instead']) => void }) {
  const set = (at: number, fields: Partial<Note['instead'][number]>): void =>
    change(instead.map((line, i) => (i === at ? { ...line, ...fields } : line)));
  return (
    <ol className="flex flex-col gap-1 empty:hidden" aria-label="Instead">
      {instead.map((line, i) => (
        <li key={i} className="grid grid-cols-[1.6rem_2fr_1.6rem_3fr_1.8rem] items-start gap-x-1">
          <span className="pt-1.5 text-right text-small text-reed">if</span>
          <GrowingText
            label={`If, line ${i + 1}`}
            value={line.when}
            onChange={(when) => set(i, { when })}
            placeholder="this happens"
            most={300}
          />
          <span className="pt-1.5 text-right text-small text-reed">do</span>
          <GrowingText
            label={`Do, line ${i + 1}`}
            value={line.do}
            onChange={(words) => set(i, { do: words })}
            placeholder="that"
            most={1000}
          />
          <button
            type="button"
            aria-label={`Take line ${i + 1} away`}
            className="flex h-8 items-center justify-center hover:bg-linen"
            onClick={() => change(instead.filter((_, at) => at !== i))}
          >
            <X size={14} />
          </button>
        </li>
      ))}
    </ol>
  );
}
