import type { Footage } from '@lean-mentor/contract';
import { ToggleGroup } from 'radix-ui';

/** Which of several videos; nothing where there is one. */
export function FootageChoice({
  footages,
  chosen,
  onChoose,
}: {
  footages: readonly Footage[];
  chosen: string | undefined;
  onChoose: (id: string) => void;
}) {
  if (footages.length < 2) return null;
  return (
    <ToggleGroup.Root
      type="single"
      aria-label="Which video"
      value={chosen ?? ''}
      onValueChange={(id) => id && onChoose(id)}
      className="flex gap-2 overflow-x-auto pb-1"
    >
      {footages.map(({ id, fileName }, i) => (
        <ToggleGroup.Item
          key={id}
          value={id}
          className="min-h-11 max-w-48 shrink-0 truncate border-b-2 border-seam px-2 text-desk data-[state=on]:border-pine data-[state=on]:font-semibold"
        >
          {i + 1}. {fileName}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
