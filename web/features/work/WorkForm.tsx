import { partnerNames } from '@lean-mentor/core/book';
import { cautionClasses, cautionNames } from '@lean-mentor/core/care';
import { bodyParts, partWords, type BodyPart } from '@lean-mentor/core/care';
import type { ClientWork } from '@lean-mentor/contract';
import { lineClass, Row, SelectRow, Text } from '../../shared/forms/index.ts';
import { useListClipsQuery } from '../book/index.ts';
import { NumberRow } from './NumberRow.tsx';
import { RoundFields } from './RoundFields.tsx';

type Terms = ClientWork['terms'];

interface WorkFormProps {
  terms: Terms;
  /** It was done already: what makes its tests comparable stays. */
  isDone: boolean;
  onChange: (terms: Terms) => void;
}

const cautions = Object.fromEntries(cautionClasses.map((one) => [one, cautionNames[one]])) as typeof cautionNames;

/** Everything of a piece of work, to be changed before it is given. */
export function WorkForm({ terms, isDone, onChange }: WorkFormProps) {
  const change = (fields: Partial<Terms>): void => onChange({ ...terms, ...fields } as Terms);
  return (
    <div className="flex flex-col gap-5">
      <Row label="Name">
        <input value={terms.name} maxLength={120} onChange={({ target }) => change({ name: target.value })} className={lineClass} />
      </Row>
      <Row label="What is said on the mat" hint="at most a dozen words">
        <input value={terms.cue} maxLength={200} onChange={({ target }) => change({ cue: target.value })} className={lineClass} />
      </Row>
      <Text label="How" value={terms.how} rows={2} onChange={(how) => change({ how })} />
      {terms.kind === 'round' ? (
        <RoundFields terms={terms} isDone={isDone} onChange={(fields) => onChange({ ...terms, ...fields })} />
      ) : (
        <div className="grid grid-cols-2 gap-4">
          <NumberRow
            label="Minutes"
            value={terms.minutes}
            min={0.5}
            max={120}
            step={0.5}
            onChange={(minutes) => onChange({ ...terms, minutes })}
          />
          <SelectRow label="Partner" value={terms.partner} names={partnerNames} onChange={(partner) => onChange({ ...terms, partner })} />
        </div>
      )}
      <div className="grid grid-cols-3 gap-4">
        <NumberRow
          label="Times a week at first"
          value={terms.timesPerWeek}
          min={1}
          max={7}
          onChange={(timesPerWeek) => change({ timesPerWeek })}
        />
        <NumberRow label="Weeks" value={terms.weeks} min={1} max={26} onChange={(weeks) => change({ weeks })} />
        <Row label="Needs">
          <input
            value={terms.equipment}
            maxLength={300}
            placeholder="nothing"
            onChange={({ target }) => change({ equipment: target.value })}
            className={lineClass}
          />
        </Row>
      </div>
      <div className="grid grid-cols-[1fr_2fr] gap-4">
        <SelectRow label="Caution" value={terms.caution} names={cautions} onChange={(caution) => change({ caution })} />
        <LoadParts terms={terms} onChange={(loads) => change({ loads })} />
      </div>
      <ClipChoice chosen={terms.clipIds} onChange={(clipIds) => change({ clipIds })} />
    </div>
  );
}

/** What it loads of the client: work that loads a part rests as soon as that part hurts. */
function LoadParts({ terms: { loads }, onChange }: { terms: Terms; onChange: (loads: Terms['loads']) => void }) {
  const has = (part: BodyPart): boolean => loads.some((one) => one.part === part);
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">It loads their</legend>
      <div className="flex flex-wrap gap-1">
        {bodyParts.map((part) => (
          <button
            key={part}
            type="button"
            aria-pressed={has(part)}
            onClick={() => onChange(has(part) ? loads.filter((one) => one.part !== part) : [...loads, { part, side: null }])}
            className={`min-h-7 rounded-sm border px-2 text-small ${has(part) ? 'border-pine bg-pine text-linen' : 'border-seam bg-linen hover:border-reed'}`}
          >
            {partWords({ part, side: null })}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** Clips of one's own that go with it: they are on the client's phone before the hall. */
function ClipChoice({ chosen, onChange }: { chosen: readonly string[]; onChange: (clipIds: string[]) => void }) {
  const { data } = useListClipsQuery();
  const clips = data?.clips.filter(({ state }) => state === 'ready') ?? [];
  if (clips.length === 0) return null;
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">Clips that go with it</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {clips.map(({ id, title }) => (
          <label key={id} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={chosen.includes(id)}
              onChange={({ target }) => onChange(target.checked ? [...chosen, id] : chosen.filter((one) => one !== id))}
            />
            {title}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
