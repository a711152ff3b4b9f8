import { clockText } from '@lean-mentor/core/footage';
import { lateTapWords, threatEnds, threatFacts, type ThreatFacts } from '@lean-mentor/core/scoring';
import { techniques } from '@lean-mentor/core/techniques';
import { X } from 'lucide-react';
import { useMemo } from 'react';
import { IconButton, optionsOf, Select } from '../../../shared/primitives/index.ts';
import { usePositionValues } from '../../scoring/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useFrame, useScene } from '../DeskScene.ts';
import type { BoutScored } from './useScore.ts';

const finishNames = techniques.filter(({ kind }) => kind === 'finish').map(({ name }) => name);

/** What an attack bought, in words; empty where it bought nothing. */
function boughtWords({ bought: { value, points } }: ThreatFacts): string {
  return [
    ...(points !== 0 ? [`${points > 0 ? '+' : '−'}${Math.abs(points)} points`] : []),
    ...(Math.abs(value) >= 5 ? [`position ${value > 0 ? '+' : '−'}${Math.abs(Math.round(value))}`] : []),
  ].join(', ');
}

/** Finishing attacks, to be named and corrected, with the danger each was and what it bought. */
export function ThreatList({ bout }: { bout: BoutScored }) {
  const coding = useControls('coding');
  const { secondsAt, go } = useScene();
  const frame = useFrame();
  const values = usePositionValues();
  const { threats } = bout.here.coded;
  const start = secondsAt(bout.here.bout.fromFrame);
  const facts = useMemo(() => threatFacts(bout.timed, bout.result, { values }), [bout, values]);
  if (threats.length === 0) return null;
  return (
    <ul aria-label="Attacks" className="divide-y divide-seam border-y border-seam">
      {threats.map((threat, i) => {
        const fact = facts[i];
        return (
          <li key={threat.id} className="flex flex-wrap items-center gap-x-3 py-0.5">
            <button type="button" className="time linked" onClick={() => go(threat.fromFrame, null)}>
              {clockText(secondsAt(threat.fromFrame) - start)}
            </button>
            <span className={`w-14 shrink-0 font-semibold ${threat.athlete === 'client' ? 'text-client' : 'text-partner'}`}>
              {threat.athlete === 'client' ? 'Client' : 'Partner'}
            </span>
            <input
              aria-label="Attack by"
              list="attack-names"
              defaultValue={threat.name}
              placeholder="Attacks with what?"
              maxLength={80}
              onBlur={({ target: { value } }) => value !== threat.name && coding.changeThreat(threat.id, { name: value.trim() })}
              className="w-40 border-b border-seam bg-transparent px-1"
            />
            <span className="grow text-reed">
              {fact && fact.dangerSeconds > 0 && `${fact.dangerSeconds.toFixed(1)} s tight. `}
              {fact && boughtWords(fact)}
            </span>
            {threat.lockedFrame === null && (
              <button
                type="button"
                className="text-reed hover:underline"
                onClick={() => coding.changeThreat(threat.id, { lockedFrame: Math.max(frame, threat.fromFrame) })}
              >
                tight from here
              </button>
            )}
            {threat.toFrame === null ? (
              <button
                type="button"
                className="text-reed hover:underline"
                onClick={() => coding.changeThreat(threat.id, { toFrame: frame })}
                disabled={frame <= threat.fromFrame}
              >
                over here
              </button>
            ) : (
              <Select
                label="How it ended"
                value={threat.ended}
                options={optionsOf(threatEnds, (end) => (end === 'traded' ? 'given up for a position' : end))}
                onChange={(ended) => coding.changeThreat(threat.id, { ended })}
                className="border-b border-seam"
              />
            )}
            <IconButton icon={X} words="There was no attack" onClick={() => coding.removeThreat(threat.id)} />
            {fact?.lateTap && <p className="basis-full border-l-4 border-brick pl-2">{lateTapWords(fact)}</p>}
          </li>
        );
      })}
      <datalist id="attack-names">
        {finishNames.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </ul>
  );
}
