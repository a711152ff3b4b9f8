import { legalityOf, type RuleSheet } from '@lean-mentor/core/scoring';
import { techniques } from '@lean-mentor/core/techniques';
import { useId, useState } from 'react';
import { Select } from '../../../shared/primitives/index.ts';

const verdictWords = { allowed: 'Allowed', forbidden: 'Forbidden', unknown: 'Not known' } as const;
const look = 'rounded-sm border border-seam bg-linen px-2 py-1';

const namesOfAll = techniques.flatMap(({ name, aliases }) => [name, ...aliases]).sort((a, b) => a.localeCompare(b));

/** Whether somebody may do something under a sheet. */
export function LegalityLookup({ sheet }: { sheet: RuleSheet }) {
  const [technique, setTechnique] = useState('knee bar');
  const [age, setAge] = useState('25');
  const [level, setLevel] = useState(1);
  const list = useId();
  const answer = legalityOf(sheet, technique, { age: age === '' ? null : Number(age), level });
  return (
    <section aria-label="Is it allowed?" className="flex flex-col gap-2 border-t border-seam pt-4">
      <h2 className="text-read font-semibold">Is it allowed?</h2>
      <div className="flex flex-wrap items-center gap-3">
        <input
          aria-label="Technique"
          list={list}
          value={technique}
          onChange={({ target }) => setTechnique(target.value)}
          className={look}
        />
        <datalist id={list}>
          {namesOfAll.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <label className="flex items-center gap-2">
          at
          <input
            aria-label="Age in years"
            type="number"
            min={4}
            max={99}
            value={age}
            onChange={({ target }) => setAge(target.value)}
            className={`${look} w-16`}
          />
          years
        </label>
        <Select
          label="Level"
          value={String(level)}
          options={['first', 'second', 'third', 'fourth', 'fifth'].map((words, i) => ({ value: String(i + 1), words: `${words} level` }))}
          onChange={(chosen) => setLevel(Number(chosen))}
          className={look}
        />
        <strong data-verdict={answer.verdict}>{verdictWords[answer.verdict]}</strong>
      </div>
      <p className="text-small text-reed">{answer.words}</p>
    </section>
  );
}
