import type { Footage } from '@lean-mentor/contract';
import { FootageProgressLine } from './FootageProgressLine.tsx';

/** In place of what needs footage: that it was removed, or how far each has come on its way to being ready. */
export function NoFootageYet({ name, footages }: { name: string; footages: readonly Footage[] }) {
  if (footages.every(({ state }) => state === 'removed'))
    return (
      <>
        <h1 className="text-title">There is no footage of {name} here any more.</h1>
        <p>It is not kept any more: {name} or the partner on film asked for that, or its time here was over.</p>
      </>
    );
  return (
    <>
      <h1 className="text-title">{name}’s footage is not ready yet.</h1>
      {footages.map((footage) => (
        <FootageProgressLine key={footage.id} footage={footage} />
      ))}
    </>
  );
}
