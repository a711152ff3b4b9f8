import type { Footage } from '@lean-mentor/contract';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { FootageProgressLine, useFootageWatch, useProgress } from '../footage/index.ts';

function Waiting({ footage, onReady }: { footage: Footage; onReady: () => void }) {
  const ready = useProgress(footage).state === 'ready' && footage.state !== 'ready';
  useEffect(() => {
    if (ready) onReady();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- told once, when it becomes ready
  }, [ready]);
  return <FootageProgressLine footage={footage} />;
}

/** Fixes are chosen once there is footage to look at: how far it has come, and on with it by itself. */
export function WhileNotReady({ name, footages, onReady }: { name: string; footages: readonly Footage[]; onReady: () => void }) {
  useFootageWatch();
  const gone = footages.every(({ state }) => state === 'removed');
  return (
    <div className="flex max-w-md flex-col gap-4 text-read">
      <h1 className="text-title">{gone ? `There is no footage of ${name} here any more.` : `${name}’s footage is not ready yet.`}</h1>
      {gone && <p>It was removed, because {name} or the partner on film asked for it.</p>}
      {footages.map((footage) => (
        <Waiting key={footage.id} footage={footage} onReady={onReady} />
      ))}
      <Link to="/today" className="linked">
        Back to Today
      </Link>
    </div>
  );
}
