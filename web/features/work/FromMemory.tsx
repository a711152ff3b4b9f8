import { plannedRounds } from '@lean-mentor/core/work';
import { Minus, Plus } from 'lucide-react';
import { Button } from '../../shared/primitives/index.ts';
import type { Act, Doing } from './doing.ts';
import { roundsOf } from './doing.ts';

/** What it ended with, from memory: round by round, marked so. */
export function FromMemory({ one, press, onDrop }: { one: Doing; press: (what: Act) => void; onDrop: () => void }) {
  if (one.terms.kind !== 'round') return null;
  const { ways } = one.terms.test;
  const planned = plannedRounds(one.terms);
  const ran = roundsOf(one).length;
  const count = (round: number, wayId: string): number => one.presses.filter((each) => each.round === round && each.wayId === wayId).length;
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-6 py-6">
      <h1 className="text-title">How did it end, as far as you remember?</h1>
      {planned.slice(0, Math.max(1, ran)).map(({ when, place }, round) => (
        <section key={round} aria-label={`Round ${round + 1}`} className="flex flex-col gap-2">
          <h2 className="text-read">
            Round {round + 1}
            <span className="font-normal text-reed">
              {when === 'after' && ', after the advice'}
              {place === 'other' && ', places changed'}
            </span>
          </h2>
          <ul className="divide-y divide-seam border-y border-seam">
            {ways.map(({ id, words }) => (
              <li key={id} className="flex min-h-14 items-center justify-between gap-3">
                <span>{words}</span>
                <span className="flex items-center gap-3">
                  <Step
                    label={`One fewer: ${words}, round ${round + 1}`}
                    onClick={() => press({ do: 'remember', round, wayId: id, by: -1 })}
                  >
                    <Minus size={20} aria-hidden />
                  </Step>
                  <span className="time w-8 text-center text-title">{count(round, id)}</span>
                  <Step label={`One more: ${words}, round ${round + 1}`} onClick={() => press({ do: 'remember', round, wayId: id, by: 1 })}>
                    <Plus size={20} aria-hidden />
                  </Step>
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <div className="flex gap-3">
        <Button large onClick={() => press({ do: 'counted' })}>
          That is about it
        </Button>
        <Button look="quiet" large onClick={onDrop}>
          Drop it
        </Button>
      </div>
    </main>
  );
}

const Step = ({ label, onClick, children }: { label: string; onClick: () => void; children: React.ReactNode }) => (
  <button
    type="button"
    aria-label={label}
    onClick={onClick}
    className="flex size-12 items-center justify-center rounded-sm border border-seam bg-linen hover:border-pine"
  >
    {children}
  </button>
);
