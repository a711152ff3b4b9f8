import { sheetOf } from '@lean-mentor/contract';
import { addStats, asMeant, boutStats, boutTimes, boutUsage, ruleSheets } from '@lean-mentor/core/scoring';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { BoutNumbers, PatternList, useGetClientBoutsQuery, useHistoryNumbers } from '../../scoring/index.ts';
import { useScene } from '../DeskScene.ts';
import { useScored, type BoutScored } from './useScore.ts';

/** Every coded bout of the client as the server has it, but those of this desk as they are here. */
function useAllBouts() {
  const { subject } = useScene();
  const { scored, own } = useScored();
  const { data, isLoading } = useGetClientBoutsQuery(subject.client.id);
  return useMemo(() => {
    const kept = (data?.bouts ?? []).map((bout) => {
      const here = scored.find((one) => one.here.bout.id === bout.id);
      const ownSheet = own.find(({ id }) => id === bout.sheetId);
      const sheet = here?.sheet ?? (ownSheet ? sheetOf(ownSheet.sheet) : ruleSheets[bout.ruleSheet]);
      return { ...bout, sheet, timed: here?.timed ?? asMeant(bout.timed, bout, boutUsage(bout.said, sheet)) };
    });
    return { bouts: kept, isLoading };
  }, [data, scored, own, isLoading]);
}

/** What is counted: of this bout, of the day, or of everything of the client. */
export function NumbersTab({ bout }: { bout: BoutScored }) {
  const { scored } = useScored();
  const [of, setOf] = useState<'bout' | 'day' | 'all'>('bout');
  const { bouts } = useAllBouts();
  const numbers = useHistoryNumbers(of === 'all' ? bouts : null);
  const here = useMemo(
    () => addStats((of === 'bout' ? [bout] : scored).map(({ timed, result }) => boutStats(timed, result))),
    [of, bout, scored],
  );
  const stats = of === 'all' ? numbers?.stats : here;
  return (
    <div className="flex flex-col gap-3">
      <div role="group" aria-label="Counted over" className="flex gap-1 text-small">
        {(
          [
            ['bout', 'This bout'],
            ['day', `This video, ${scored.length} ${scored.length === 1 ? 'bout' : 'bouts'}`],
            ['all', `All of the client, ${bouts.length}`],
          ] as const
        ).map(([value, words]) => (
          <button
            key={value}
            type="button"
            aria-pressed={of === value}
            onClick={() => setOf(value)}
            className="rounded-sm border border-seam px-2 py-0.5 hover:bg-linen aria-pressed:bg-pine aria-pressed:text-linen"
          >
            {words}
          </button>
        ))}
      </div>
      {stats ? <BoutNumbers stats={stats} /> : <p className="text-small text-reed">Counting …</p>}
    </div>
  );
}

/** What follows what, over everything of the client that is coded. */
export function PatternsTab({ bout }: { bout: BoutScored }) {
  const { footage, table, go } = useScene();
  const navigate = useNavigate();
  const { bouts, isLoading } = useAllBouts();
  const numbers = useHistoryNumbers(bouts);
  const goTo = (i: number, seconds: number): void => {
    const of = bouts[i];
    if (!of) return;
    if (of.footageId === footage.id)
      go(boutTimes({ ...of, toFrame: of.fromFrame, lengthSeconds: null, spans: [], events: [] }, table).frameAt(seconds), null);
    // Of other footage the frame is not known here; its bout’s own start is near enough to the seconds since.
    else void navigate(`/requests/${of.requestId}/desk?footage=${of.footageId}&frame=${of.fromFrame}`);
  };
  if (isLoading || !numbers) return <p className="text-small text-reed">Looking through {bouts.length || bout.here.bout.order} bouts …</p>;
  return <PatternList patterns={numbers.patterns} onGo={goTo} />;
}
