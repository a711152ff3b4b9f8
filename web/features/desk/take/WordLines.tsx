import type { Caption, TakeStretch } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import type { MendingLine } from '@lean-mentor/core/takes';
import { Scissors, Trash2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { IconButton } from '../../../shared/primitives/index.ts';

interface WordLinesProps {
  lines: readonly MendingLine[];
  /** Where it plays, in seconds of the recording. */
  at: number;
  onGo: (recorded: number) => void;
  /** Plays a stretch over and over while its words are corrected; null: no more. */
  onLoop: (stretch: TakeStretch | null) => void;
  onWords: (place: number, words: string) => void;
  onRemove: (place: number) => void;
  onCut: (stretch: TakeStretch) => void;
  onBack: (stretch: TakeStretch) => void;
}

const origins: Readonly<Record<Caption['origin'], string>> = {
  typed: '',
  drafted: 'drafted, not read yet',
  heard: 'heard by a machine, not read yet',
};

/** What is said as a page of lines. Striking a line through cuts it out; a long pause stands between them and can be closed. */
export function WordLines({ lines, at, ...does }: WordLinesProps) {
  return (
    <ol className="border-t border-seam" aria-label="What is said">
      {lines.map((line) => (
        <li
          key={`${line.kind} ${line.from} ${line.to}`}
          className={`flex items-center gap-2 border-b border-seam py-1 ${line.from <= at && at < line.to ? 'bg-linen' : ''}`}
        >
          <button
            type="button"
            className="time linked shrink-0"
            aria-label={`Go to ${clockText(line.from)}`}
            onClick={() => does.onGo(line.from)}
          >
            {clockText(line.from)}
          </button>
          {line.kind === 'words' ? <Words line={line} {...does} /> : <Pause line={line} {...does} />}
        </li>
      ))}
    </ol>
  );
}

type LineProps<K extends MendingLine['kind']> = Omit<WordLinesProps, 'lines' | 'at'> & { line: Extract<MendingLine, { kind: K }> };

function Words({ line, onLoop, onWords, onRemove, onCut, onBack }: LineProps<'words'>) {
  // Null: as it is written down; else what is being typed.
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    if (typed !== null && typed.trim() !== line.words) onWords(line.place, typed.trim());
    setTyped(null);
  };
  return (
    <>
      <textarea
        aria-label={`What is said at ${clockText(line.from)}`}
        value={typed ?? line.words}
        rows={1}
        onChange={(e) => setTyped(e.target.value)}
        // What is cut out is not heard.
        onFocus={() => !line.cut && onLoop(line)}
        onBlur={() => {
          onLoop(null);
          keep();
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' || e.key === 'Escape') e.currentTarget.blur();
        }}
        className={`field-sizing-content min-w-0 grow resize-none bg-transparent py-1 ${line.cut ? 'text-reed line-through' : ''}`}
      />
      {origins[line.origin] && <span className="shrink-0 text-small text-reed">{origins[line.origin]}</span>}
      {line.cut ? (
        <IconButton icon={Undo2} words={`Put back: ${line.words}`} onClick={() => onBack(line)} />
      ) : (
        <IconButton icon={Scissors} words={`Strike through: ${line.words}`} onClick={() => onCut(line)} />
      )}
      <IconButton icon={Trash2} words={`Take these words away, not the voice: ${line.words}`} onClick={() => onRemove(line.place)} />
    </>
  );
}

function Pause({ line, onCut, onBack }: LineProps<'pause'>) {
  const long = line.to - line.from;
  const closed = line.left < long - 0.01;
  const rest = { from: line.from + 0.25, to: line.to - 0.25 };
  return (
    <>
      <span className="grow text-small text-reed">
        {closed ? `Pause, closed to ${line.left.toFixed(1)} s` : `Pause of ${long.toFixed(1)} s`}
      </span>
      <button type="button" className="linked shrink-0 text-small" onClick={() => (closed ? onBack(line) : onCut(rest))}>
        {closed ? 'Open it again' : 'Close it'}
      </button>
    </>
  );
}
