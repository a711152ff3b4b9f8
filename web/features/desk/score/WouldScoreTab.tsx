import { clockText } from '@lean-mentor/core/footage';
import { isRuleSheetName, ruleSheetNames, ruleSheets, ruleSheetWords, scoreSteps, sheetCaution } from '@lean-mentor/core/scoring';
import { useState } from 'react';
import { useFrame, useScene } from '../DeskScene.ts';
import type { BoutScored } from './useScore.ts';
import { optionsOf, Select } from '../../../shared/primitives/index.ts';

/** Before and after the present frame, in seconds, unless a stretch was chosen. */
const around = 8;

/** "Would that score?": a stretch and a sheet, and the answer step by step. */
export function WouldScoreTab({ bout }: { bout: BoutScored }) {
  const { go } = useScene();
  const frame = useFrame();
  const now = Math.max(0, bout.since(frame));
  const [chosen, setChosen] = useState<{ from: number; to: number } | null>(null);
  const [name, setName] = useState('');
  const { from, to } = chosen ?? { from: Math.max(0, now - around), to: now + around };
  const steps = scoreSteps(bout.timed, isRuleSheetName(name) ? ruleSheets[name] : bout.sheet, from, to);
  const look = 'rounded-sm border border-seam bg-linen px-2 py-0.5 hover:border-pine';
  return (
    <div className="flex flex-col gap-2 text-small">
      <div className="flex flex-wrap items-center gap-2">
        <span>
          From <span className="time">{clockText(from, true)}</span> to <span className="time">{clockText(to, true)}</span>
        </span>
        <button type="button" className={look} onClick={() => setChosen({ from: now, to: Math.max(now, to) })}>
          Begin here
        </button>
        <button type="button" className={look} onClick={() => setChosen({ from: Math.min(from, now), to: now })}>
          End here
        </button>
        {chosen && (
          <button type="button" className="hover:underline" onClick={() => setChosen(null)}>
            Around this frame
          </button>
        )}
        <Select
          label="By which sheet"
          value={name}
          options={[{ value: '', words: `${bout.sheet.name}, as chosen` }, ...optionsOf(ruleSheetNames, ruleSheetWords)]}
          onChange={setName}
          className={look}
        />
      </div>
      <ol aria-label="Step by step">
        {steps.map(({ at, kind, words }, i) => (
          <li key={i} className={kind === 'position' ? 'text-reed' : 'pl-4 font-semibold'}>
            <button type="button" className="text-left hover:underline" onClick={() => go(bout.frameAt(at), null)}>
              {words}
            </button>
          </li>
        ))}
        {!steps.some(({ kind }) => kind !== 'position') && (
          <li className="pl-4 font-semibold">Nothing that a sheet looks at happens here.</li>
        )}
      </ol>
      <p className="text-reed">{sheetCaution}</p>
    </div>
  );
}
