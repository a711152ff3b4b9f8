import { streamWorkClip, type ClientWork } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { useEffect, useState } from 'react';
import { addressOf } from '../../shared/wire/index.ts';
import { keptClip } from '../kept/index.ts';

interface WorkClipsProps {
  clientId: string;
  owner: string;
  clips: ClientWork['clips'];
}

/** Clips of the coach's own that show it: from this phone where they are kept on it. */
export const WorkClips = ({ clientId, owner, clips }: WorkClipsProps) =>
  clips.map((clip) => <WorkClip key={clip.id} clientId={clientId} owner={owner} clip={clip} />);

function WorkClip({
  clientId,
  owner,
  clip: { id, title, seconds },
}: {
  clientId: string;
  owner: string;
  clip: ClientWork['clips'][number];
}) {
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    let made: string | null = null;
    let away = false;
    void keptClip(owner, id).then((video) => {
      if (away) return;
      made = video && URL.createObjectURL(video);
      setAddress(made ?? addressOf(streamWorkClip, { clientId, clipId: id }));
    });
    return () => {
      away = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [owner, clientId, id]);
  return (
    <figure className="flex flex-col gap-1">
      <video src={address} aria-label={title} controls playsInline preload="metadata" className="w-full bg-stage" />
      <figcaption className="text-desk text-reed">
        {title}
        {seconds !== null && <span className="time"> {clockText(seconds)}</span>}
      </figcaption>
    </figure>
  );
}
