import { getDeskStillPng, getDeskStillSvg } from '@lean-mentor/contract';
import { ImageDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { addressOf } from '../../shared/wire/index.ts';
import { useFrame, useScene } from './DeskScene.ts';
import { RowMenu, rowMenuItem } from './RowMenu.tsx';

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
    <RowMenu icon={ImageDown} words="Save this frame with its drawings">
      {files.map(({ words, address, name }) => (
        <DropdownMenu.Item key={name} asChild className={rowMenuItem}>
          <a href={address} download={name}>
            {words}
          </a>
        </DropdownMenu.Item>
      ))}
    </RowMenu>
  );
}
