import type { Critique } from '@lean-mentor/contract';
import { getMomentStill } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useState } from 'react';
import { Link } from 'react-router';
import { addressOf } from '../../../shared/wire/index.ts';
import { Button } from '../../../shared/primitives/index.ts';
import { BoutClock } from '../../footage/index.ts';
import { useGetCritiqueQuery } from '../api.ts';
import { FootageClip } from './FootageClip.tsx';
import { MomentFigure } from './MomentFigure.tsx';

/** So many critiques are looked through at once, newest first. */
const atOnce = 4;

/** What somebody did right, out of the critiques they were sent: their own body doing it, newest first. */
export function RightMoments({ critiqueIds }: { critiqueIds: readonly string[] }) {
  const [many, setMany] = useState(atOnce);
  if (critiqueIds.length === 0) return null;
  return (
    <section aria-label="Your right moments" className="flex flex-col gap-4">
      <h2 className="text-title">Your right moments</h2>
      {critiqueIds.slice(0, many).map((id) => (
        <OfCritique key={id} critiqueId={id} />
      ))}
      {many < critiqueIds.length && (
        <Button look="plain" large className="self-start" onClick={() => setMany(many + atOnce)}>
          Earlier ones
        </Button>
      )}
    </section>
  );
}

const isRight = ({
  note,
  footage,
}: {
  note: Critique['moments'][number]['note'];
  footage: Critique['footages'][number] | undefined;
}): boolean => note.kind === 'good' && footage !== undefined && footage.state !== 'removed';

function OfCritique({ critiqueId }: { critiqueId: string }) {
  const { data } = useGetCritiqueQuery(critiqueId);
  if (!data) return null;
  const { moments, footages, version, sentAt } = data;
  const right = moments.filter(({ note }) => isRight({ note, footage: footages.find(({ id }) => id === note.footageId) }));
  return right.map(({ note }) => (
    <div key={note.id} className="flex flex-col gap-1">
      <MomentFigure
        {...{ moments, footages, noteId: note.id, show: 'clip' }}
        still={addressOf(getMomentStill, { critiqueId, version, noteId: note.id, picture: 'still.png' })}
        clock={(footage, atFrame) => <BoutClock footage={footage} atFrame={atFrame} />}
        clip={(playing) => <FootageClip {...playing} />}
      />
      <p>{note.what}</p>
      <Link className="linked inline-flex min-h-11 items-center self-start text-desk" to={`/critiques/${critiqueId}`}>
        From {format(sentAt, 'd MMMM yyyy')}
      </Link>
    </div>
  ));
}
