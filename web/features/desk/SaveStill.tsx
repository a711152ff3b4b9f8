import { getDeskStillPng, getDeskStillSvg } from '@lean-mentor/contract';
import { ImageDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { addressOf } from '../../shared/wire/index.ts';
import { useFrame, useScene } from './DeskScene.ts';

/** This frame with its drawings as a file, made from the original at its own size. */
export function SaveStill() {
  const { subject, footage } = useScene();
  const frame = useFrame();
  const params = { requestId: subject.request.id, footageId: footage.id, frame };
  const files = [
    { words: 'PNG, a picture', address: addressOf(getDeskStillPng, params), name: `frame ${frame}.png` },
    { words: 'SVG, the drawings as lines', address: addressOf(getDeskStillSvg, params), name: `frame ${frame}.svg` },
  ];
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        title="Save this frame with its drawings"
        aria-label="Save this frame with its drawings"
        className="flex h-7 w-7 items-center justify-center rounded-sm hover:bg-linen"
      >
        <ImageDown size={16} strokeWidth={1.8} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="top"
          align="start"
          // The hands go back to the picture, so that the next key is the desk’s.
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="z-20 flex flex-col border border-ink bg-linen py-1 shadow-lg"
        >
          {files.map(({ words, address, name }) => (
            <DropdownMenu.Item key={name} asChild className="px-3 py-1.5 outline-none data-[highlighted]:bg-straw">
              <a href={address} download={name}>
                {words}
              </a>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
