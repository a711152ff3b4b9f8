import type { PicturePoint, StageView } from '@lean-mentor/core/desk';
import { useEffect, useRef } from 'react';

interface LabelInputProps {
  at: PicturePoint;
  view: StageView;
  mirrored: boolean;
  onWritten: (words: string) => void;
}

/** Where a label was put down, its words. Enter writes them, leaving it empty takes it back. */
export function LabelInput({ at, view, mirrored, onWritten }: LabelInputProps) {
  const input = useRef<HTMLInputElement>(null);
  const written = useRef(false);
  useEffect(() => input.current?.focus(), []);
  const write = (): void => {
    if (written.current) return;
    written.current = true;
    onWritten(input.current?.value ?? '');
  };
  const x = ((mirrored ? 1 - at.x : at.x) - view.x) * view.zoom;
  const y = (at.y - view.y) * view.zoom;
  return (
    <input
      ref={input}
      aria-label="Label"
      maxLength={120}
      placeholder="Words, then Enter"
      onKeyDown={(event) => event.key === 'Enter' && write()}
      onBlur={write}
      style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
      className="absolute w-44 -translate-y-full border border-ink bg-linen px-2 py-1 font-semibold"
    />
  );
}
