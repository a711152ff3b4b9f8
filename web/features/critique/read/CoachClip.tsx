import type { Critique } from '@lean-mentor/contract';

/** A clip of the coach's own, with its title. */
export function CoachClip({ clips, clipId, address }: { clips: Critique['clips']; clipId: string; address: string }) {
  const clip = clips.find(({ id }) => id === clipId);
  if (!clip) return null;
  return (
    <figure>
      <video
        src={address}
        controls
        loop
        muted
        playsInline
        preload="none"
        aria-label={clip.title}
        className="aspect-video w-full bg-stage"
      />
      <figcaption className="pt-1 text-desk text-reed">{clip.title}</figcaption>
    </figure>
  );
}
