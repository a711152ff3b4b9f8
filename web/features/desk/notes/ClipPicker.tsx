import type { Note } from '@lean-mentor/core/desk';
import { Popover } from 'radix-ui';
import { ClipShelf, useListClipsQuery } from '../../book/index.ts';
import { useScene } from '../DeskScene.ts';
import { useSpared } from '../useSpared.ts';

/** A clip of the coach's own that shows how it is done. */
export function ClipPicker({ note }: { note: Note }) {
  const { actions } = useScene();
  const spared = useSpared();
  const { data } = useListClipsQuery(undefined, { skip: note.clipId === null });
  const title = data?.clips.find(({ id }) => id === note.clipId)?.title;
  return (
    <Popover.Root>
      <Popover.Trigger className="max-w-64 truncate rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen">
        {title ? `Clip: ${title}` : 'Add a clip …'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          aria-label="Your clips"
          className="z-30 flex max-h-[min(34rem,80vh)] w-[26rem] flex-col border border-ink bg-linen shadow-lg"
        >
          <ClipShelf spared={spared} chosenId={note.clipId} onChoose={(clipId) => actions.change('note', note.id, { clipId })} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
