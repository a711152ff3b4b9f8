import type { Footage, Intake } from '@lean-mentor/contract';
import { clockText, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { codedGoes, countsOf, countsOfGoes, countedWords, resetsByMotion } from '@lean-mentor/core/work';
import { useGetFrameTableQuery, useGetMotionQuery } from '../footage/index.ts';

type Round = NonNullable<Intake['round']>;
/** What was counted on the mat, round by round: "3 of 8, then 5 of 7, from memory". */
export const countedOnMat = ({ rounds, test }: Round): string =>
  rounds.map((round) => `${countedWords(countsOf(round, test))}${round.by === 'memory' ? ', from memory' : ''}`).join(', then ') ||
  'nothing counted';

interface RoundCountedProps {
  round: Round;
  footages: readonly Footage[];
  onReset: (footageId: string, atSeconds: number) => void;
}

/** A positional round in its footage: what was counted beside what is coded, and where it seems to begin anew. */
export const RoundCounted = ({ round, footages, onReset }: RoundCountedProps) => (
  <section aria-label="Counted and coded" className="flex flex-col gap-2 border-t border-seam pt-3">
    <h3 className="text-desk">Counted and coded</h3>
    <p>On the mat: {countedOnMat(round)}.</p>
    {footages
      .filter(({ state }) => state === 'ready')
      .map((footage) => (
        <InFootage key={footage.id} round={round} footage={footage} onReset={(seconds) => onReset(footage.id, seconds)} />
      ))}
  </section>
);

function InFootage({ round: { test }, footage, onReset }: { round: Round; footage: Footage; onReset: (atSeconds: number) => void }) {
  const { data: motion } = useGetMotionQuery(footage.id);
  const { data: table } = useGetFrameTableQuery(footage.id);
  const bouts = footage.bouts.filter(({ proposed }) => !proposed);
  const goes = bouts.flatMap((bout) => codedGoes(bout, test.start));
  const secondsAt = (frame: number): number => secondsOfFrame(table!, frame);
  const resets = motion && table ? bouts.flatMap((bout) => resetsByMotion(motion.lulls, bout, secondsAt)) : [];
  return (
    <>
      <p>
        {goes.length === 0
          ? 'In the footage: nobody has coded the start position yet.'
          : `In the footage: ${countedWords(countsOfGoes(goes))}, out of ${goes.length} ${goes.length === 1 ? 'go' : 'goes'}.`}
      </p>
      {table && goes.length > 0 && <Times label="Goes" frames={goes.map(({ fromFrame }) => fromFrame)} table={table} onGo={onReset} />}
      {table && goes.length === 0 && resets.length > 0 && (
        <Times label="Begins anew, by movement" frames={resets} table={table} onGo={onReset} />
      )}
    </>
  );
}

/** Instants as a row of ways to them. */
function Times({
  label,
  frames,
  table,
  onGo,
}: {
  label: string;
  frames: readonly number[];
  table: FrameTable;
  onGo: (atSeconds: number) => void;
}) {
  return (
    <p className="flex flex-wrap gap-x-3 text-small">
      <span className="text-reed">{label}:</span>
      {frames.map((frame) => (
        <button key={frame} type="button" className="linked time" onClick={() => onGo(secondsOfFrame(table, frame))}>
          {clockText(secondsOfFrame(table, frame))}
        </button>
      ))}
    </p>
  );
}
