import {
  addNamed,
  namedStats,
  addStats,
  boutStats,
  boutTimes,
  scoreBout,
  transitionsOf,
  type RuleSheet,
  type TimedBout,
} from '@lean-mentor/core/scoring';
import { isSameDay } from 'date-fns';
import { Suspense, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { BoutNumbers, NamedNumbers, PatternList, TransitionFlow, useHistoryBouts, useHistoryNumbers } from '../../scoring/index.ts';
import { useScene } from '../DeskScene.ts';
import { Movement } from './Movement.tsx';
import { useScored, type BoutScored } from './useScore.ts';

/** A coded bout of the client, wherever it is. */
export interface KnownBout {
  id: string;
  requestId: string;
  footageId: string;
  fromFrame: number;
  toFrame: number;
  /** The first frame of each of its spans. */
  spanFrames: readonly number[];
  /** How the partner is told apart; empty where nobody said. */
  partner: string;
  /** Instant, ISO 8601. */
  sentAt: string;
  timed: TimedBout;
  sheet: RuleSheet;
}

/** Every coded bout of the client as the server has it, but those of this desk as they are here. */
export function useAllBouts(): { bouts: KnownBout[]; isLoading: boolean } {
  const { subject, footage } = useScene();
  const { scored } = useScored();
  const history = useHistoryBouts(subject.client.id);
  return useMemo(() => {
    const kept = (history ?? []).map((bout): KnownBout => {
      const here = scored.find((one) => one.here.bout.id === bout.id);
      if (!here) return bout;
      const partner = here.here.bout.partnerWords || subject.request.whoPartner;
      return { ...bout, partner, spanFrames: here.here.bout.spans.map(({ fromFrame }) => fromFrame), sheet: here.sheet, timed: here.timed };
    });
    // What has just been coded is not on the server yet.
    const fresh = scored
      .filter(({ here }) => !kept.some(({ id }) => id === here.bout.id))
      .map(({ here: { bout }, timed, sheet }): KnownBout => {
        const { id: requestId, sentAt } = subject.request;
        const spanFrames = bout.spans.map(({ fromFrame }) => fromFrame);
        const { id, fromFrame, toFrame } = bout;
        const partner = bout.partnerWords || subject.request.whoPartner;
        return { id, requestId, footageId: footage.id, fromFrame, toFrame, spanFrames, partner, sentAt, timed, sheet };
      });
    return { bouts: [...kept, ...fresh], isLoading: history === null };
  }, [history, scored, subject, footage]);
}

/** The way to an instant of any of the client's bouts, in this footage or another. */
export function useGoTo(bouts: readonly KnownBout[]): (bout: number, seconds: number) => void {
  const { footage, table, go } = useScene();
  const navigate = useNavigate();
  return (i, seconds) => {
    const of = bouts[i];
    if (!of) return;
    if (of.footageId === footage.id)
      go(boutTimes({ ...of, toFrame: of.fromFrame, lengthSeconds: null, spans: [], events: [] }, table).frameAt(seconds), null);
    // The desk there knows its frames: it is told the bout's first one and the seconds since.
    else void navigate(`/requests/${of.requestId}/desk?footage=${of.footageId}&frame=${of.fromFrame}&since=${seconds}`);
  };
}

/** What is counted: of this bout, of this video, of all videos of the request, of the day, or of everything of the client. */
export function NumbersTab({ bout }: { bout: BoutScored }) {
  const { subject, footage } = useScene();
  const [of, setOf] = useState('bout');
  const { bouts } = useAllBouts();
  const scopes = useMemo(() => {
    const { id: requestId, sentAt, footages } = subject.request;
    const video = bouts.filter(({ footageId }) => footageId === footage.id);
    const request = bouts.filter((one) => one.requestId === requestId);
    const day = bouts.filter((one) => isSameDay(one.sentAt, sentAt));
    return [
      { key: 'bout', words: 'This bout', bouts: bouts.filter(({ id }) => id === bout.here.bout.id) },
      { key: 'video', words: 'This video', bouts: video },
      // What counts the same twice is offered once.
      ...(footages.length > 1 ? [{ key: 'request', words: `All ${footages.length} videos`, bouts: request }] : []),
      ...(day.length > request.length ? [{ key: 'day', words: 'That day', bouts: day }] : []),
      { key: 'all', words: 'All of the client', bouts },
    ];
  }, [bouts, subject, footage, bout]);
  const scope = scopes.find(({ key }) => key === of) ?? scopes[0]!;
  const numbers = useHistoryNumbers(scope.key === 'all' ? bouts : null);
  const here = useMemo(
    () => (scope.key === 'all' ? null : addStats(scope.bouts.map(({ timed, sheet }) => boutStats(timed, scoreBout(timed, sheet))))),
    [scope],
  );
  const transitions = useMemo(() => transitionsOf(scope.bouts.map(({ timed }) => timed)), [scope]);
  const goTo = useGoTo(scope.bouts);
  const hereNamed = useMemo(
    () => (scope.key === 'all' ? null : addNamed(scope.bouts.map(({ timed, sheet }) => namedStats(timed, scoreBout(timed, sheet))))),
    [scope],
  );
  const stats = here ?? numbers?.stats;
  const named = hereNamed ?? numbers?.named;
  return (
    <div className="flex flex-col gap-3">
      <div role="group" aria-label="Counted over" className="flex flex-wrap gap-1 text-small">
        {scopes.map(({ key, words, bouts: counted }) => (
          <button
            key={key}
            type="button"
            aria-pressed={scope.key === key}
            onClick={() => setOf(key)}
            className="rounded-sm border border-seam px-2 py-0.5 hover:bg-linen aria-pressed:bg-pine aria-pressed:text-linen"
          >
            {words}
            {key !== 'bout' && `, ${counted.length} ${counted.length === 1 ? 'bout' : 'bouts'}`}
          </button>
        ))}
      </div>
      {stats ? <BoutNumbers stats={stats} /> : <p className="text-small text-reed">Counting …</p>}
      {scope.key === 'bout' && <Movement bout={bout} />}
      {named && <NamedNumbers named={named} />}
      <Suspense fallback={<p className="text-small text-reed">Drawing …</p>}>
        <TransitionFlow key={scope.key} transitions={transitions} onGo={goTo} />
      </Suspense>
    </div>
  );
}

/** What follows what, over everything of the client that is coded. */
export function PatternsTab({ bout }: { bout: BoutScored }) {
  const { bouts, isLoading } = useAllBouts();
  const numbers = useHistoryNumbers(bouts);
  const goTo = useGoTo(bouts);
  if (isLoading || !numbers) return <p className="text-small text-reed">Looking through {bouts.length || bout.here.bout.order} bouts …</p>;
  return <PatternList patterns={numbers.patterns} onGo={goTo} />;
}
