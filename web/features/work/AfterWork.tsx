import { RadioGroup } from 'radix-ui';
import { useState } from 'react';
import { countedWords, countsOf } from '@lean-mentor/core/work';
import { Button, inputClass } from '../../shared/primitives/index.ts';
import { roundsOf, type Act, type Doing } from './doing.ts';
import { PainPicker } from './PainPicker.tsx';
import { feltWords } from './words.ts';

interface AfterWorkProps {
  one: Doing;
  press: (what: Act) => void;
  onKeep: () => void;
  onDrop: () => void;
}

/** What is asked each time: how it felt, one line, and whether anything hurts. Only the last must be answered. */
export function AfterWork({ one, press, onKeep, onDrop }: AfterWorkProps) {
  const [asks, setAsks] = useState(false);
  const { terms, felt, line, pains } = one;
  const rounds = roundsOf(one);
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-6 py-6">
      <header>
        <h1 className="text-title">{terms.name}</h1>
        {terms.kind === 'round' && (
          <p className="time">
            {rounds.length === 0 ? 'No round ran.' : rounds.map((round) => countedWords(countsOf(round, terms.test))).join(', then ')}
          </p>
        )}
      </header>
      <fieldset>
        <legend className="mb-2 font-semibold">How did it go?</legend>
        <RadioGroup.Root
          aria-label="How did it go?"
          value={felt === null ? '' : String(felt)}
          onValueChange={(value) => press({ do: 'felt', felt: Number(value) })}
          className="grid grid-cols-5 gap-1.5"
        >
          {[1, 2, 3, 4, 5].map((value) => (
            <RadioGroup.Item
              key={value}
              value={String(value)}
              className="flex min-h-16 flex-col items-center justify-center rounded-sm border border-seam bg-linen text-center text-small leading-tight data-[state=checked]:border-pine data-[state=checked]:bg-pine data-[state=checked]:text-linen"
            >
              <span className="time text-read">{value}</span>
              {feltWords[value]}
            </RadioGroup.Item>
          ))}
        </RadioGroup.Root>
      </fieldset>
      <label className="flex flex-col gap-1.5">
        <span className="font-semibold">One line, if you like</span>
        <input
          value={line}
          maxLength={300}
          onChange={({ target }) => press({ do: 'line', line: target.value })}
          className={`${inputClass} min-h-12`}
        />
      </label>
      <PainPicker pains={pains} onChange={(next) => press({ do: 'hurts', pains: next })} />
      <Button large className="min-h-14" disabled={pains === null} onClick={onKeep}>
        Keep it
      </Button>
      {pains === null && <p className="-mt-3 text-desk text-reed">Say whether anything hurts first.</p>}
      {asks ? (
        <p className="flex flex-wrap items-center gap-3">
          All of it goes.
          <Button look="plain" large onClick={onDrop}>
            Drop it
          </Button>
          <Button look="quiet" large onClick={() => setAsks(false)}>
            Leave it
          </Button>
        </p>
      ) : (
        <Button look="quiet" large className="self-start" onClick={() => setAsks(true)}>
          Drop it …
        </Button>
      )}
    </main>
  );
}
