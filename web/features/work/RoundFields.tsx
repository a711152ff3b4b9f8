import type { ClientWork } from '@lean-mentor/contract';
import { isNeutral, positionCodes, positionName, type PositionCode } from '@lean-mentor/core/scoring';
import { startWays, type PartnerLevel, type PartnerSize, type RoundOrder, type Way } from '@lean-mentor/core/work';
import { X } from 'lucide-react';
import { lineClass, Row, SelectRow } from '../../shared/forms/index.ts';
import { IconButton, optionsOf, Select } from '../../shared/primitives/index.ts';
import { NumberRow } from './NumberRow.tsx';
import { StartDrawing } from './StartDrawing.tsx';

type Round = Extract<ClientWork['terms'], { kind: 'round' }>;
type Test = Round['test'];

interface RoundFieldsProps {
  terms: Round;
  isDone: boolean;
  onChange: (fields: Partial<Round>) => void;
}

const positions = Object.fromEntries(positionCodes.map((code) => [code, positionName(code)])) as Record<PositionCode, string>;
const orders: Readonly<Record<RoundOrder, string>> = { 'one-way': 'before, then after', balanced: 'old way at both ends' };
const counted = { chance: 'each go: won or not', rate: 'what goes wrong, by minutes' } as const;
const mostWays = 4;
const wantedLevels: Readonly<Record<PartnerLevel, string>> = {
  ...{ lower: 'less experienced', same: 'of their level', higher: 'more experienced', unknown: 'anybody' },
};
const wantedSizes: Readonly<Record<PartnerSize, string>> = { smaller: 'smaller', same: 'as large', larger: 'larger', unknown: 'any size' };

/** A positional round: where it begins, how it can end, how long, with whom, and what is heard in between. */
export function RoundFields({ terms, isDone, onChange }: RoundFieldsProps) {
  const { test, advice } = terms;
  const changeTest = (fields: Partial<Test>): void => onChange({ test: { ...test, ...fields } });
  return (
    <>
      {isDone && (
        <p className="text-small text-reed">It was done already: start, ends, minutes and places stay, so that its tests compare.</p>
      )}
      <fieldset disabled={isDone} className="flex flex-col gap-4">
        <StartFields test={test} onChange={changeTest} />
        <WayRows ways={test.ways} onChange={(ways) => changeTest({ ways })} />
        <div className="grid grid-cols-3 gap-4">
          <NumberRow
            label="Minutes a round"
            value={test.minutes}
            min={0.5}
            max={20}
            step={0.5}
            onChange={(minutes) => changeTest({ minutes })}
          />
          <SelectRow label="What is counted" value={test.counts} names={counted} onChange={(counts) => changeTest({ counts })} />
          <label className="flex items-end gap-2 pb-1">
            <input type="checkbox" checked={terms.swaps} onChange={({ target }) => onChange({ swaps: target.checked })} /> They change
            places each round
          </label>
        </div>
      </fieldset>
      <div className="grid grid-cols-4 gap-4">
        <NumberRow label="Rounds" value={terms.rounds} min={1} max={10} onChange={(rounds) => onChange({ rounds })} />
        <NumberRow
          label="Rest, s"
          value={terms.restSeconds}
          min={0}
          max={600}
          step={10}
          onChange={(restSeconds) => onChange({ restSeconds })}
        />
        <SelectRow
          label="Partner"
          value={terms.wanted.level}
          names={wantedLevels}
          onChange={(level) => onChange({ wanted: { ...terms.wanted, level } })}
        />
        <SelectRow
          label="of size"
          value={terms.wanted.size}
          names={wantedSizes}
          onChange={(size) => onChange({ wanted: { ...terms.wanted, size } })}
        />
      </div>
      <div className="grid grid-cols-[2fr_1fr] gap-4">
        <Row label="One or two details, heard in the rest" hint="empty: all rounds are alike">
          <input value={advice} maxLength={300} onChange={({ target }) => onChange({ advice: target.value })} className={lineClass} />
        </Row>
        {advice !== '' && terms.rounds > 1 && (
          <SelectRow label="Order" value={terms.order} names={orders} onChange={(order) => onChange({ order })} />
        )}
      </div>
      {advice !== '' && terms.rounds < 4 && (
        <p className="text-small text-reed">With four rounds the old way can stand at both ends; then tiredness and warmth cancel.</p>
      )}
    </>
  );
}

const places = { top: 'on top', below: 'below', neither: 'neither' } as const;

function StartFields({ test: { start }, onChange }: { test: Test; onChange: (fields: Partial<Test>) => void }) {
  const place = start.clientHolds === null ? 'neither' : start.clientHolds ? 'top' : 'below';
  const move = (position: PositionCode, clientHolds: boolean | null): void => {
    const holds = isNeutral(position) ? null : clientHolds;
    onChange({ start: { ...start, position, clientHolds: holds }, ways: startWays(position, holds) });
  };
  return (
    <div className="grid grid-cols-[1fr_1fr_1fr_8rem] items-end gap-4">
      <SelectRow
        label="Start"
        value={start.position}
        names={positions}
        onChange={(position) => move(position, start.clientHolds ?? true)}
      />
      <SelectRow
        label="They are"
        value={place}
        names={places}
        onChange={(next) => move(start.position, next === 'neither' ? null : next === 'top')}
      />
      <Row label="Grips">
        <input
          value={start.grips}
          maxLength={120}
          placeholder="none named"
          onChange={({ target }) => onChange({ start: { ...start, grips: target.value } })}
          className={lineClass}
        />
      </Row>
      <StartDrawing start={start} client="client" className="-my-4" />
    </div>
  );
}

const whose: Readonly<Record<Way['wonBy'], string>> = { own: 'theirs', other: 'the partner’s', nobody: 'nobody’s' };

/** The ends of a go: two to four, each a button on the client's phone. */
function WayRows({ ways, onChange }: { ways: Test['ways']; onChange: (ways: Test['ways']) => void }) {
  const change = (id: string, fields: Partial<Way>): void => onChange(ways.map((way) => (way.id === id ? { ...way, ...fields } : way)));
  const free = ['w1', 'w2', 'w3', 'w4'].find((id) => !ways.some((way) => way.id === id));
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">How a go ends, and whose that is</legend>
      <ul className="flex flex-col gap-1">
        {ways.map(({ id, words, wonBy }) => (
          <li key={id} className="flex items-center gap-2">
            <input
              aria-label="How it ends"
              value={words}
              maxLength={24}
              onChange={({ target }) => change(id, { words: target.value })}
              className={lineClass}
            />
            <Select
              label={`Whose: ${words}`}
              value={wonBy}
              options={optionsOf(Object.keys(whose) as Way['wonBy'][], (one) => whose[one])}
              onChange={(next) => change(id, { wonBy: next })}
              className={`${lineClass} max-w-40`}
            />
            <IconButton
              icon={X}
              words={`Take out: ${words}`}
              disabled={ways.length <= 2}
              onClick={() => onChange(ways.filter((way) => way.id !== id))}
            />
          </li>
        ))}
      </ul>
      {ways.length < mostWays && free && (
        <button type="button" className="linked mt-1" onClick={() => onChange([...ways, { id: free, words: '', wonBy: 'nobody' }])}>
          Another end
        </button>
      )}
    </fieldset>
  );
}
