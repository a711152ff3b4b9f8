import { memo } from 'react';
import type { Footage } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { boutTimes, boutUsage, clockShown, ruleSheets, ruleSheetWords, scoreAt, tapsText } from '@lean-mentor/core/scoring';
import { savingWords } from '../../shared/keeping/index.ts';
import { FacePlate, MessageLine, Select, smallSelect } from '../../shared/primitives/index.ts';
import { Link, useSearchParams } from 'react-router';
import { kindWords } from '../requests/index.ts';
import { isLookable } from '../footage/index.ts';
import { useFrame, useOnStage, useScene } from './DeskScene.ts';
import { AsideEdits } from './AsideEdits.tsx';
import { ScoreFigures } from './score/ScoreFigures.tsx';
import { scoredAt, useScored } from './score/useScore.ts';
import { IntakePopover } from './IntakePopover.tsx';
import { useDeskPart } from './useDesk.ts';

/** Which of the request's videos is on the stage. */
function FootagePicker({ footages, footage }: { footages: readonly Footage[]; footage: Footage }) {
  const [, setSearch] = useSearchParams();
  return (
    <Select
      label="Video on the stage"
      value={footage.id}
      options={footages.map((one, i) => ({
        value: one.id,
        words: `${i + 1}. ${one.fileName}${one.state === 'ready' ? '' : isLookable(one) ? ' (its beginning)' : ' (not ready)'}`,
        disabled: !isLookable(one),
      }))}
      onChange={(id) => setSearch({ footage: id })}
      className={`${smallSelect} max-w-44 shrink-0`}
    />
  );
}

/** Where the last edits are: on their way to the disk, kept in this browser, or with the server. */
function SavingWord() {
  const saving = useDeskPart((desk) => desk.saving);
  return (
    <p
      aria-live="polite"
      data-saving={saving}
      className={`shrink-0 text-small ${saving === 'away' ? 'font-semibold text-brick' : 'text-reed'}`}
    >
      {savingWords({ saving, fault: null })}
    </p>
  );
}

/** What the bout clock shows on a frame: of a bout that is not coded yet, and before and after bouts, the time since the start. */
function useClockShown(frame: number): ReturnType<typeof clockShown> {
  const { secondsAt, boutAt, table, subject } = useScene();
  const { scored } = useScored();
  const bout = boutAt(frame);
  const { ruleSheet } = subject.request;
  const times =
    scoredAt(scored, frame) ??
    (bout && boutTimes({ ...bout, spans: [], events: [] }, table, boutUsage(subject.request, ruleSheets[bout.ruleSheet ?? ruleSheet])));
  const since = secondsAt(frame) - secondsAt(bout?.fromFrame ?? 0);
  return times ? clockShown(times.clock, since, bout && times.timed.clockSeconds) : { seconds: since, stopped: false };
}

export function BoutClockNow() {
  const { seconds, stopped } = useClockShown(useFrame());
  return (
    <p
      className={`time shrink-0 text-title font-medium ${stopped ? 'text-reed' : ''}`}
      aria-label="Bout clock"
      title={stopped ? 'The clock stands still' : undefined}
    >
      {clockText(seconds)}
    </p>
  );
}

/** The taps and the computed score as they stand on this frame; the coach’s corrections stand in the score panel, beside the result. */
function ScoreNow() {
  const { scored } = useScored();
  const frame = useFrame();
  const bout = scoredAt(scored, frame);
  if (!bout) return null;
  const at = Math.max(0, bout.since(frame));
  const falls = bout.timed.afterFinish === 'restarts' ? bout.result.falls.filter((fall) => fall.at <= at) : [];
  const taps = falls.length > 0 && (
    <p className="time shrink-0 text-read font-medium" aria-label="Taps now">
      {tapsText(falls)}
    </p>
  );
  if (bout.sheet.pointsCount === 'never') return taps;
  return (
    <>
      {taps}
      <p className="time shrink-0 text-read font-medium" aria-label="Score now" title="Points, near points in brackets: client, partner">
        <ScoreFigures score={scoreAt(bout.timed, bout.result, at)} />
      </p>
    </>
  );
}

/** One line above the desk: who, what they asked, what hurts, the bout's clock, and whether all is saved. */
export const DeskHead = memo(function DeskHead() {
  const { subject, footage, boutAt, goToMoment } = useScene();
  const { request, client } = subject;
  const ruleSheet = useOnStage(({ frame }) => boutAt(frame)?.ruleSheet ?? request.ruleSheet);
  const hurts = [
    ...(request.hurtsToday ? [`Today: ${request.hurtsToday}`] : []),
    ...client.hurts,
    ...(request.partnerHurts ? [`Partner: ${request.partnerHurts}`] : []),
  ];
  return (
    <header className="col-span-2 flex min-w-0 items-center gap-4 border-b border-seam px-3">
      <Link to="/today" className="linked shrink-0">
        Today
      </Link>
      <FacePlate name={client.name} level={client.level} />
      <p className="shrink-0">
        <Link to={`/clients/${client.id}`} className="font-semibold hover:underline">
          {client.name}
        </Link>
        {client.age !== null && <span className="text-reed"> {client.age}</span>}
      </p>
      <IntakePopover request={request} onMark={goToMoment} />
      <p className="hidden shrink-0 text-small text-reed xl:block">
        {kindWords[request.kind]}, {ruleSheetWords(ruleSheet)}
      </p>
      {hurts.length > 0 && (
        <p className="max-w-56 shrink-0 truncate border-l-4 border-brick pl-2 text-small" title={hurts.join('; ')}>
          {hurts.join('; ')}
        </p>
      )}
      {request.footages.length > 1 && <FootagePicker footages={request.footages} footage={footage} />}
      <MessageLine className="grow justify-center not-empty:min-w-44" />
      <AsideEdits />
      <SavingWord />
      <ScoreNow />
      <BoutClockNow />
      <Link
        to={`/requests/${request.id}/wrap-up`}
        className="inline-flex min-h-8 shrink-0 items-center rounded-sm border border-pine bg-pine px-3 font-semibold text-linen hover:border-ink hover:bg-ink"
      >
        Choose the fixes
      </Link>
    </header>
  );
});
