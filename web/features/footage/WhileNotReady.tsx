import type { Footage } from '@lean-mentor/contract';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { NoFootageYet } from './NoFootageYet.tsx';
import { useFootageWatch, useProgress } from './useFootageWatch.ts';

/** Calls once when footage that was fetched as not ready has become so. */
function Watched({ footage, onReady }: { footage: Footage; onReady: () => void }) {
  const ready = useProgress(footage).state === 'ready' && footage.state !== 'ready';
  useEffect(() => {
    if (ready) onReady();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- told once, when it becomes ready
  }, [ready]);
  return null;
}

/** In place of a page that needs footage to look at: how far it has come, and on with it by itself. */
export function WhileNotReady({ name, footages, onReady }: { name: string; footages: readonly Footage[]; onReady: () => void }) {
  useFootageWatch();
  return (
    <div className="flex max-w-md flex-col gap-4 text-read">
      <NoFootageYet name={name} footages={footages} />
      {footages.map((footage) => (
        <Watched key={footage.id} footage={footage} onReady={onReady} />
      ))}
      <Link to="/today" className="linked">
        Back to Today
      </Link>
    </div>
  );
}
