import { noteLayers, type Note } from '@lean-mentor/core/desk';
import { ToggleGroup } from 'radix-ui';
import { layerWords } from './noteWords.ts';
import { optionsOf, Select } from '../../../shared/primitives/index.ts';

const athletes = [
  { value: 'client', words: 'Client' },
  { value: 'partner', words: 'Partner' },
] as const;
const seenWords = [
  { value: 'clear', words: 'Seen' },
  { value: 'likely', words: 'Likely' },
  { value: 'hidden', words: 'Hidden' },
] as const;
const severities = [
  { value: '1', words: 'Light' },
  { value: '2', words: 'Matters' },
  { value: '3', words: 'Heavy' },
] as const;
const readers = [
  { value: 'client', words: 'Client sees it' },
  { value: 'coach', words: 'Only us' },
] as const;

interface PickProps<V extends string> {
  label: string;
  value: V;
  options: readonly { value: V; words: string }[];
  onPick: (value: V) => void;
}

function Pick<V extends string>({ label, value, options, onPick }: PickProps<V>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(v) => v && onPick(v as V)}
      className="flex border-l border-seam pl-1 first:border-l-0 first:pl-0"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="h-6 px-1 text-small text-reed hover:text-ink data-[state=on]:font-semibold data-[state=on]:text-ink data-[state=on]:underline data-[state=on]:decoration-2 data-[state=on]:underline-offset-4"
        >
          {option.words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** What is said about a note besides its words: who, how well seen, how much it matters, its layer, and for whose eyes it is. */
export function Picks({ note, change }: { note: Note; change: (fields: Partial<Note>) => void }) {
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-0.5">
      <Pick label="Who" value={note.athlete} options={athletes} onPick={(athlete) => change({ athlete })} />
      <Pick label="How well it was seen" value={note.seen} options={seenWords} onPick={(seen) => change({ seen })} />
      <Pick
        label="How much it matters"
        value={String(note.severity) as '1' | '2' | '3'}
        options={severities}
        onPick={(severity) => change({ severity: Number(severity) })}
      />
      <Pick label="For whose eyes" value={note.visible} options={readers} onPick={(visible) => change({ visible })} />
      <Select
        label="Layer"
        value={note.layer}
        options={optionsOf(noteLayers, (layer) => layerWords[layer])}
        onChange={(layer) => change({ layer })}
        className="h-6 rounded-sm border border-transparent bg-transparent text-small hover:border-seam"
      />
    </div>
  );
}
