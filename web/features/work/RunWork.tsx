import { clockText } from '@lean-mentor/core/footage';
import { plannedRounds, ranMs, timerAt, type RoundTerms, type TimerAt } from '@lean-mentor/core/work';
import { Undo2 } from 'lucide-react';
import { Button } from '../../shared/primitives/index.ts';
import { planOf, type Act, type Doing } from './doing.ts';
import { useBells, useNow, useWakeLock } from './useTimer.ts';

const phaseWords: Readonly<Record<TimerAt['phase'], string>> = { ready: 'Get ready', work: 'Work', rest: 'Rest', over: 'Over' };
const fields: Readonly<Record<TimerAt['phase'], string>> = {
  ready: 'bg-seam',
  work: 'bg-pine/25',
  rest: 'bg-brass/30',
  over: 'bg-seam',
};

/** The timer: two numbers, a field that empties downwards, and under them what is counted. It goes by the clock on the wall. */
export function RunWork({ one, press }: { one: Doing; press: (what: Act) => void }) {
  const { terms, timer } = one;
  const plan = planOf(terms);
  const held = timer?.heldAt !== null;
  const now = useNow(!held);
  const ran = timer ? ranMs(timer, now) : 0;
  const at = timerAt(plan, ran);
  const flash = useBells(plan, ran);
  useWakeLock(!held && at.phase !== 'over');
  // The last moment before the next number, so that it begins at the whole minute and ends at 0:01.
  const left = Math.ceil(at.leftMs / 1000);
  return (
    <main
      data-phase={at.phase}
      className={`fixed inset-0 z-30 flex flex-col ${flash ? 'bg-ink text-straw' : 'bg-straw'}`}
      aria-label={`Timer of ${terms.name}`}
    >
      <section className="relative flex min-h-0 grow flex-col items-center justify-center overflow-hidden">
        {!flash && (
          <div
            aria-hidden
            className={`absolute inset-x-0 bottom-0 ${fields[at.phase]}`}
            style={{ height: `${at.ofMs > 0 ? (at.leftMs / at.ofMs) * 100 : 0}%` }}
          />
        )}
        <p className="relative text-title font-semibold" role="status">
          {phaseWords[at.phase]}
          {held && ', held'}
        </p>
        <p className="time relative text-[min(32vw,11rem)] leading-none" data-left={left}>
          {clockText(left)}
        </p>
        {plan.rounds > 1 && (
          <p className="time relative text-title">
            {at.round + 1} / {plan.rounds}
          </p>
        )}
        {terms.kind === 'round' && <RoundWords terms={terms} at={at} />}
      </section>
      {terms.kind === 'round' && at.phase !== 'ready' && one.by !== 'memory' && <CountButtons one={one} round={at.round} press={press} />}
      <div className="grid grid-cols-3 gap-2 border-t border-seam bg-linen p-2 text-ink">
        <Button look="plain" large disabled={one.presses.length === 0} onClick={() => press({ do: 'undo' })}>
          <Undo2 size={18} aria-hidden /> Undo
        </Button>
        <Button look="plain" large disabled={at.phase === 'over'} onClick={() => press({ do: held ? 'go-on' : 'hold', at: Date.now() })}>
          {held ? 'Go on' : 'Hold'}
        </Button>
        <Button look={at.phase === 'over' ? 'pine' : 'plain'} large onClick={() => press({ do: 'stop', at: Date.now() })}>
          {at.phase === 'over' ? 'Done' : 'End here'}
        </Button>
      </div>
    </main>
  );
}

/** Which round this is: before the advice or after it, and who is where. In the rest, what to do from now on. */
function RoundWords({ terms, at: { phase, round } }: { terms: RoundTerms; at: TimerAt }) {
  const rounds = plannedRounds(terms);
  const next = rounds[phase === 'rest' ? round + 1 : round];
  const turned = next?.place === 'other' ? 'Places changed: your partner is where you were.' : '';
  const told = next?.when === 'after' ? terms.advice : next?.when === 'before' ? 'As you do it now.' : terms.cue;
  if (phase === 'over') return null;
  return (
    <p className="relative px-6 text-center text-read font-semibold">
      {phase === 'rest' && next?.when === 'after' && <span className="block text-desk font-normal">From now on:</span>}
      {told}
      {turned && <span className="block font-normal">{turned}</span>}
    </p>
  );
}

const sides = {
  own: 'border-client text-client',
  other: 'border-partner text-partner',
  nobody: 'border-reed text-reed',
} as const;

/** The ends of a go, as buttons over the lower half: blind to reach. Each says how often it came in this round. */
function CountButtons({ one, round, press }: { one: Doing; round: number; press: (what: Act) => void }) {
  if (one.terms.kind !== 'round') return null;
  const { ways } = one.terms.test;
  const count = (wayId: string): number => one.presses.filter((each) => each.round === round && each.wayId === wayId).length;
  return (
    <section
      aria-label="What it ended with"
      className={`grid min-h-[42%] gap-2 bg-straw p-2 ${ways.length === 3 ? 'grid-cols-3' : 'grid-cols-2'}`}
    >
      {ways.map(({ id, words, wonBy }) => (
        <button
          key={id}
          type="button"
          onClick={() => press({ do: 'press', wayId: id, at: Date.now() })}
          className={`flex min-h-24 flex-col items-center justify-center gap-1 rounded-sm border-4 bg-linen px-1 text-center text-title leading-tight font-semibold break-words active:bg-seam ${sides[wonBy]}`}
        >
          {words}
          <span className="time text-banner" data-count={id}>
            {count(id)}
          </span>
        </button>
      ))}
    </section>
  );
}
