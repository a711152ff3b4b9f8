import { clockText } from '@lean-mentor/core/footage';
import {
  actionWords,
  decisionWords,
  overrideWords,
  scoreText,
  sheetCaution,
  sideNames,
  tapsText,
  type Decision,
  type Doubt,
  type ScoredAction,
  type ScoreEntry,
} from '@lean-mentor/core/scoring';
import { useAccount } from '../../access/index.ts';
import { useFrame, useScene } from '../DeskScene.ts';
import { Falls } from './Falls.tsx';
import { ScoreFigures } from './ScoreFigures.tsx';
import { StakesLine } from './StakesLine.tsx';
import type { BoutScored } from './useScore.ts';

const resultWords = ({ winner, decidedBy }: Decision): string => {
  if (winner) return `${sideNames[winner]} wins ${decisionWords[decidedBy]}.`;
  return decidedBy === 'not-scored' ? 'This sheet decides nothing.' : 'Level in all: the referee decides.';
};

const worth = ({ points, near }: Pick<ScoreEntry, 'points' | 'near'>): string =>
  points !== 0 ? `${points > 0 ? '+' : '−'}${Math.abs(points)}` : near > 0 ? `+${near} near` : '–';

/** How it ended: taps, score, who won and by what, and what the coach says of that. */
function ScoreHead({ bout: { result, corrected, timed } }: { bout: BoutScored }) {
  const isRound = timed.afterFinish === 'restarts' && result.falls.length > 0;
  return (
    <div className="flex items-baseline gap-3">
      {isRound && <p className="text-title">{tapsText(result.falls)}</p>}
      <p className="time text-title" aria-label="Score at the end">
        <ScoreFigures score={result.score} />
      </p>
      <p>
        {isRound && result.decidedBy === 'finish'
          ? `${result.winner === 'client' ? 'Client' : 'Partner'} finished more often.`
          : resultWords(result)}
      </p>
      {corrected && (
        <p className="font-semibold" data-corrected>
          You say {scoreText(corrected.score)}. {resultWords(corrected)}
        </p>
      )}
    </div>
  );
}

/** What the coach has said against the engine. */
function Corrections({ bout: { overrides, clock, since } }: { bout: BoutScored }) {
  const { actions } = useScene();
  if (overrides.length === 0) return null;
  return (
    <ul aria-label="Your corrections">
      {overrides.map((override) => (
        <li key={override.id} className="flex items-baseline gap-2">
          <span className="time">{clockText(clock.at(since(override.atFrame)))}</span>
          <span>{overrideWords({ ...override, at: since(override.atFrame) })}</span>
          <input
            aria-label="Why"
            defaultValue={override.why}
            placeholder="Why?"
            maxLength={500}
            onBlur={({ target: { value } }) => value !== override.why && actions.change('override', override.id, { why: value })}
            className="min-w-0 grow border-b border-seam bg-transparent px-1"
          />
          <button type="button" className="text-reed hover:underline" onClick={() => actions.remove('override', override.id)}>
            Take it back
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The computed score with every award and refusal, and the coach’s corrections beside it. */
export function ScoreTab({ bout }: { bout: BoutScored }) {
  const { result, here, frameAt, timed } = bout;
  const { actions, footage, go } = useScene();
  const frame = useFrame();
  const isCoach = useAccount()?.role === 'coach';
  const entries = [
    ...result.awards.map((entry) => ({ entry, given: true })),
    ...result.refusals.map((entry) => ({ entry, given: false })),
  ].sort((a, b) => a.entry.at - b.entry.at);
  /** Takes back what was given, or gives what the engine refused or only called near. */
  const overrule = (entry: ScoreEntry, given: boolean): void => {
    const full = entry.action in actionWords ? bout.sheet.points[entry.action as keyof typeof actionWords] : 0;
    const change =
      given && entry.points !== 0 ? { points: -entry.points, near: 0 } : { points: full || 0, near: given ? -entry.near : full ? 0 : 1 };
    const { athlete, action } = entry;
    actions.add('override', {
      footageId: footage.id,
      boutId: here.bout.id,
      athlete,
      action,
      atFrame: frameAt(entry.at),
      ...change,
      why: '',
    });
  };
  return (
    <div className="flex flex-col gap-2 text-small">
      <ScoreHead bout={bout} />
      {timed.clockSeconds != null && bout.clock.total < timed.clockSeconds - 1 && (
        <p className="text-reed">The picture ends with {clockText(timed.clockSeconds - bout.clock.total)} left on the clock.</p>
      )}
      <Falls bout={bout} />
      <StakesLine bout={bout} frame={frame} />
      <ol aria-label="Awards and refusals" className="divide-y divide-seam border-y border-seam">
        {entries.map(({ entry, given }) => (
          <li key={`${entry.athlete} ${entry.action} ${entry.at} ${given}`} className="flex items-baseline gap-2 py-0.5">
            <button
              type="button"
              title={`Reached on frame ${frameAt(entry.at)}, settled on frame ${frameAt(entry.bankedAt)}`}
              className="time linked"
              onClick={() => go(frameAt(entry.at), null)}
            >
              {clockText(bout.clock.at(entry.at))}
            </button>
            <span className={`w-16 shrink-0 font-semibold ${entry.athlete === 'client' ? 'text-client' : 'text-partner'}`}>
              {entry.athlete === 'client' ? 'Client' : 'Partner'}
            </span>
            <span className={`time w-14 shrink-0 text-right ${given ? 'font-semibold' : 'text-reed'}`}>
              {given ? worth(entry) : 'refused'}
            </span>
            <span className="grow">{entry.reason}</span>
            {isCoach && entry.action !== 'penalty' && (
              <button type="button" className="shrink-0 text-reed hover:underline" onClick={() => overrule(entry, given)}>
                {given && entry.points !== 0 ? 'I would not' : 'I would give it'}
              </button>
            )}
          </li>
        ))}
        {entries.length === 0 && <li className="py-1 text-reed">Nothing was done that a sheet looks at.</li>}
      </ol>
      <Doubts bout={bout} mayAnswer={isCoach} />
      <Corrections bout={bout} />
      <p className="text-reed">{sheetCaution}</p>
    </div>
  );
}

/** What neither was given nor refused: the coach says what it was, with one press. */
function Doubts({ bout: { standing, sheet, here, frameAt, clock }, mayAnswer }: { bout: BoutScored; mayAnswer: boolean }) {
  const { actions, footage, go } = useScene();
  if (standing.doubts.length === 0) return null;
  const answer = ({ kind, athlete, at }: Doubt, action: ScoredAction | 'finish', points: number): string =>
    actions.add('override', {
      footageId: footage.id,
      boutId: here.bout.id,
      athlete,
      action,
      atFrame: frameAt(at),
      points,
      near: 0,
      why: points > 0 ? '' : kind === 'forbidden' ? 'It stands.' : 'Nothing.',
    });
  const worth: readonly ScoredAction[] = ['takedown', 'sweep', 'pass'];
  return (
    <ul aria-label="To answer" className="divide-y divide-seam border-b border-seam">
      {standing.doubts.map((doubt) => (
        <li key={`${doubt.athlete} ${doubt.at}`} className="flex items-baseline gap-2 border-l-4 border-brass py-0.5 pl-2">
          <button type="button" className="time linked" onClick={() => go(frameAt(doubt.at), null)}>
            {clockText(clock.at(doubt.at))}
          </button>
          <span className="grow">{doubt.words}</span>
          {mayAnswer && doubt.kind === 'forbidden' && (
            <button
              type="button"
              aria-label={`It stands, at ${clockText(clock.at(doubt.at))}`}
              className="shrink-0 text-reed hover:underline"
              onClick={() => answer(doubt, 'finish', 0)}
            >
              It stands
            </button>
          )}
          {mayAnswer && doubt.kind === 'unexplained' && (
            <span className="flex shrink-0 gap-3 text-reed">
              {worth
                .filter((action) => sheet.points[action] > 0)
                .map((action) => (
                  <button
                    key={action}
                    type="button"
                    aria-label={`A ${actionWords[action]}, ${sheet.points[action]} points, at ${clockText(clock.at(doubt.at))}`}
                    className="hover:underline"
                    onClick={() => answer(doubt, action, sheet.points[action])}
                  >
                    A {actionWords[action]}
                  </button>
                ))}
              <button
                type="button"
                aria-label={`Nothing at ${clockText(clock.at(doubt.at))}`}
                className="hover:underline"
                onClick={() => answer(doubt, 'sweep', 0)}
              >
                Nothing
              </button>
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
